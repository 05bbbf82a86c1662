import { Box, Heading, Text } from '@chakra-ui/react';
import { type ReactNode } from 'react';

/** The front of a card on the shelf: its picture, its name, and where the sewist stopped. */
export function ShelfFront({
  name,
  picture,
  where,
  amiss = false,
}: {
  name: string;
  picture?: ReactNode;
  where?: string;
  amiss?: boolean;
}) {
  return (
    <>
      <Box h="170px" px="4" pt="3" borderBottomWidth="1px" borderColor="rule" overflow="hidden">
        {typeof picture === 'string' ? (
          <Text color="quiet" pt="14" textAlign="center">
            {picture}
          </Text>
        ) : (
          picture
        )}
      </Box>
      <Box px="4" pt="3">
        <Heading as="h2" fontSize="21px" fontWeight="600">
          {name}
        </Heading>
        <Text {...(amiss && { color: 'berry' })}>{where || '\u00a0'}</Text>
      </Box>
    </>
  );
}
