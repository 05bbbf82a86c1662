import { Button, type ButtonProps } from '@chakra-ui/react';

/** A button that reads as words beside other words. */
export const WordButton = (more: ButtonProps) => (
  <Button variant="plain" size="sm" px="0" h="auto" minH="24px" {...more} />
);
