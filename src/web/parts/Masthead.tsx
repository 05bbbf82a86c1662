import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { Leaf, Moon, Sun } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { chooseMode, currentMode } from '../theme/mode.ts';
import { SavingTold } from './Keeping.tsx';

interface Props {
  /** Of the open project: its name, how it is kept, what can be done at any time, and its chapters. */
  title?: string;
  under?: string;
  tools?: ReactNode;
  children?: ReactNode;
}

/** The strip at the top, which stays: the way back to the shelf, what belongs to the open project, light or dark. */
export function Masthead({ title, under, tools, children }: Props) {
  return (
    <Box
      as="header"
      borderBottomWidth="1px"
      borderColor="rule"
      bg="sheet"
      flexShrink={0}
      position="sticky"
      top="0"
      zIndex={4}
    >
      <Flex
        align="center"
        columnGap="4"
        px={{ base: 3, lg: 5 }}
        minH="64px"
        py={{ base: 1, lg: 0 }}
        wrap={{ base: 'wrap', lg: 'nowrap' }}
      >
        <Link to="/" aria-label="Woodbine, all projects" style={{ display: 'flex', alignItems: 'center', gap: 10 }}>
          <Box as="span" color="leaf.solid" display="inline-flex" minW="28px" minH="44px" alignItems="center">
            <Leaf size={24} aria-hidden />
          </Box>
          {!title && (
            <Box as="span" fontFamily="heading" fontSize="22px" fontWeight="650">
              Woodbine
            </Box>
          )}
        </Link>
        {title && (
          <Box minW="0" w={{ lg: '190px' }} flexShrink={{ base: 1, lg: 0 }}>
            <Text fontFamily="heading" fontSize="19px" fontWeight="650" lineHeight="1.2" truncate title={title}>
              {title}
            </Text>
            <Text aria-live="polite" fontSize="14px" color="quiet" lineHeight="1.2">
              {under}
            </Text>
          </Box>
        )}
        {children}
        <Flex ml="auto" gap="1" align="center">
          {tools}
          <Mode />
        </Flex>
      </Flex>
      <SavingTold />
    </Box>
  );
}

/** Light or dark. */
function Mode() {
  const [mode, setMode] = useState(currentMode);
  const other = mode === 'light' ? 'dark' : 'light';
  return (
    <Button
      variant="ghost"
      minW="44px"
      h="44px"
      px="0"
      aria-label={`Switch to ${other} colours`}
      title={`Switch to ${other} colours`}
      onClick={() => {
        chooseMode(other);
        setMode(other);
      }}
    >
      {mode === 'light' ? <Moon size={20} aria-hidden /> : <Sun size={20} aria-hidden />}
    </Button>
  );
}
