import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { Leaf, Moon, Sun } from 'lucide-react';
import { type ReactNode } from 'react';
import { Link } from 'react-router';
import { chooseMode, useMode } from '../theme/mode.ts';
import { SavingTold } from './Keeping.tsx';
import { NameField } from './NameField.tsx';

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
          <Box
            as="span"
            color="leaf.solid"
            display="inline-flex"
            minW="44px"
            minH="44px"
            alignItems="center"
            justifyContent="center"
          >
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
              <NameField
                label="Name of the project"
                title={title}
                value={title}
                onName={(name) => onName?.(name)}
                variant="flushed"
                h="26px"
                mb="0"
                px="0"
                border="0"
                borderRadius="4px"
                bg="transparent"
                fontFamily="heading"
                fontSize="19px"
                fontWeight="650"
                textOverflow="ellipsis"
                _hover={{ bg: 'leaf.subtle' }}
                maxLength={120}
              />
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

/** Light or dark. */
function Mode() {
  const mode = useMode();
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
      onClick={() => chooseMode(other)}
    >
      {mode === 'light' ? <Moon size={20} aria-hidden /> : <Sun size={20} aria-hidden />}
    </Button>
  );
}
