import { Box, Button, Flex, Input, Text } from '@chakra-ui/react';
import { Leaf, Moon, Sun } from 'lucide-react';
import { type ReactNode, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { chooseMode, currentMode } from '../theme/mode.ts';
import { SavingTold } from './Keeping.tsx';

interface Props {
  /** Of the open project: its name, how it is kept, what can be done at any time, and its chapters. */
  title?: string;
  under?: string;
  onName?: (name: string) => void;
  tools?: ReactNode;
  children?: ReactNode;
}

/** The strip at the top, which stays: the way back to the shelf, what belongs to the open project, light or dark. */
export function Masthead({ title, under, onName, tools, children }: Props) {
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
      <Flex align="center" columnGap={{ base: 1, sm: 3, lg: 4 }} px={{ base: 2, sm: 3, lg: 5 }} minH="64px">
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
          <Box minW="0" w={{ md: '190px' }} flexShrink={1}>
            <Box display={{ base: 'none', md: 'block' }}>
              <Name name={title} {...(onName && { onName })} />
            </Box>
            <Text aria-live="polite" fontSize="14px" color="quiet" lineHeight="1.2">
              {under}
            </Text>
          </Box>
        )}
        {children}
        <Flex ml="auto" align="center">
          {tools}
          <Mode />
        </Flex>
      </Flex>
      <SavingTold />
    </Box>
  );
}

/** The project's name, changed where it stands: taken on Enter or when it is left, put back by Escape or when it is empty. */
function Name({ name, onName }: { name: string; onName?: (name: string) => void }) {
  const [text, setText] = useState(name);
  useEffect(() => setText(name), [name]);
  const take = (): void => {
    const clean = text.trim();
    if (clean && clean !== name) onName?.(clean);
    else setText(name);
  };
  return (
    <Input
      aria-label="Name of the project"
      title={name}
      variant="flushed"
      h="26px"
      px="0"
      border="0"
      borderRadius="4px"
      fontFamily="heading"
      fontSize="19px"
      fontWeight="650"
      textOverflow="ellipsis"
      _hover={{ bg: 'leaf.subtle' }}
      readOnly={!onName}
      maxLength={120}
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => {
        if (e.key === 'Enter') e.currentTarget.blur();
        if (e.key === 'Escape') setText(name);
      }}
    />
  );
}

/** Light or dark. */
function Mode() {
  const [mode, setMode] = useState(currentMode);
  const other = mode === 'light' ? 'dark' : 'light';
  return (
    <Button
      display={{ base: 'none', lg: 'inline-flex' }}
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
