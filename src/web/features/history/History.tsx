import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import useSWR from 'swr';
import { type HistoryEntry } from '../../../contract/index.ts';
import { get } from '../../data/client.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Page, SheetBox } from '../../ui/Page.tsx';

const WORDS = { do: '', undo: 'Undone: ', redo: 'Done again: ', lost: 'Could not be read any more: ' } as const;
const DAY = new Intl.DateTimeFormat(undefined, { dateStyle: 'full' });
const TIME = new Intl.DateTimeFormat(undefined, { timeStyle: 'short' });

/** What did I change? Every change, newest first; nothing is ever taken out of it. */
export function HistoryPage({ w }: { w: Workbook }) {
  const { data } = useSWR<{ changes: HistoryEntry[] }, Error>(w.saving ? null : `/api/projects/${w.id}/history`, get, {
    revalidateOnMount: true,
  });
  const days = new Map<string, HistoryEntry[]>();
  for (const c of data?.changes ?? []) {
    const day = DAY.format(new Date(c.at));
    days.set(day, [...(days.get(day) ?? []), c]);
  }
  return (
    <Page
      question="What did I change?"
      lead="Undo takes back the last change, redo brings it again; both are noted here too. Ctrl and Z work everywhere."
    >
      {days.size === 0 && <Text color="quiet">{data ? 'Nothing yet.' : 'Looking it up …'}</Text>}
      {[...days].map(([day, changes]) => (
        <SheetBox key={day}>
          <Heading as="h2" fontSize="19px" fontWeight="600" mb="2">
            {day}
          </Heading>
          <Box as="ol" listStyleType="none" m="0" p="0">
            {changes.map((c) => (
              <Flex as="li" key={c.revision} gap="4" py="1" color={c.kind === 'do' ? 'ink' : 'quiet'}>
                <Text minW="5.5em" color="quiet">
                  {TIME.format(new Date(c.at))}
                </Text>
                <Text>
                  {WORDS[c.kind]}
                  {c.label}
                </Text>
              </Flex>
            ))}
          </Box>
        </SheetBox>
      ))}
    </Page>
  );
}
