import { Button } from '@chakra-ui/react';
import { type ReactNode } from 'react';

/** A button that stays pressed while what it names is chosen. */
export const Chip = ({ on, onClick, children }: { on: boolean; onClick: () => void; children: ReactNode }) => (
  <Button size="sm" variant={on ? 'solid' : 'outline'} colorPalette="leaf" aria-pressed={on} onClick={onClick}>
    {children}
  </Button>
);
