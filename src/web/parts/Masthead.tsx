import { Box, Button, Flex } from '@chakra-ui/react';
import { Leaf, Moon, Sun } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { chooseMode, currentMode } from '../theme/mode.ts';
import { SavingTold } from './Keeping.tsx';

/** The strip at the top: the way back to the shelf, what belongs to the open project, light or dark. */
export function Masthead({ children }: { children?: ReactNode }) {
  const [mode, setMode] = useState(currentMode);
  const other = mode === 'light' ? 'dark' : 'light';
  return (
    <Box as="header" borderBottomWidth="1px" borderColor="rule" bg="sheet">
      <Flex align="center" gap="4" px={{ base: 4, lg: 8 }} minH="56px" wrap="wrap">
        <Link
          to="/"
          style={{
            display: 'flex',
            alignItems: 'center',
            gap: 8,
            fontFamily: 'var(--chakra-fonts-heading)',
            fontSize: 22,
            fontWeight: 650,
          }}
        >
          <Box as="span" color="leaf.solid" display="inline-flex">
            <Leaf size={22} aria-hidden />
          </Box>
          Woodbine
        </Link>
        <Flex flex="1" align="center" gap="3" minW="0" wrap="wrap">
          {children}
        </Flex>
        <Button
          size="sm"
          variant="ghost"
          aria-label={`Switch to ${other} colours`}
          onClick={() => {
            chooseMode(other);
            setMode(other);
          }}
        >
          {mode === 'light' ? <Moon size={18} aria-hidden /> : <Sun size={18} aria-hidden />}
        </Button>
      </Flex>
      <SavingTold />
    </Box>
  );
}
