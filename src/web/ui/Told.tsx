import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { useEffect } from 'react';
import { Link, useLocation } from 'react-router';
import { type Workbook } from '../data/useProject.ts';
import { SCREEN_WORDS, screenOf } from '../words/index.ts';

/** How long it stays, ms: long enough to read it and to reach for the button. */
const STAYS = 15_000;
const WORDS = {
  undo: 'Undone',
  redo: 'Done again',
  do: 'Done',
  merged: 'Changed elsewhere meanwhile, and kept beside what you did',
  elsewhere: 'Changed elsewhere just now',
} as const;
const BACK = { undo: 'Back again', redo: 'Undo again', do: 'Take it back' } as const;

/** What was just undone, done again or taken away: in words, where, and with the way back. */
export function Told({ w }: { w: Workbook }) {
  const { told, quiet } = w;
  const { pathname } = useLocation();
  useEffect(() => {
    if (!told) return;
    const timer = setTimeout(quiet, STAYS);
    return () => clearTimeout(timer);
  }, [told, quiet]);
  if (!told) return null;
  const screen = screenOf(told.paths);
  const here = screen === null || pathname.includes(`/${screen}`);
  return (
    <Box
      role="status"
      position="fixed"
      // At the bench the foot of the page is for the hands.
      bottom={pathname.endsWith('/bench') ? '140px' : '16px'}
      left="50%"
      transform="translateX(-50%)"
      zIndex={5}
      bg="sheet"
      borderWidth="1px"
      borderColor="leaf.border"
      borderRadius="6px"
      boxShadow="0 4px 18px rgba(0, 0, 0, 0.18)"
      px="4"
      py="2"
      w="max-content"
      maxW="min(92vw, 860px)"
      _print={{ display: 'none' }}
    >
      <Flex gap="4" align="center" wrap="wrap">
        <Text>
          {WORDS[told.kind]}: {told.label}
          {!here && screen && `, ${SCREEN_WORDS[screen]}`}
        </Text>
        {!here && screen && (
          <Link to={`/project/${w.id}/${screen}`} style={{ textDecoration: 'underline' }}>
            Look there
          </Link>
        )}
        {told.kind !== 'merged' && told.kind !== 'elsewhere' && (
          <Button size="sm" variant="outline" borderColor="rule" onClick={told.kind === 'undo' ? w.redo : w.undo}>
            {BACK[told.kind]}
          </Button>
        )}
        <Button size="sm" variant="ghost" aria-label="Close this note" onClick={quiet}>
          ×
        </Button>
      </Flex>
    </Box>
  );
}
