import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { type HistoryEntry } from '../../../contract/index.ts';
import { compute } from '../../../core/document/compute.ts';
import { useAsked } from '../../data/client.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Spread } from '../../drawing/Spread.tsx';
import { useTall } from '../../drawing/useTall.ts';
import { Page } from '../../ui/Page.tsx';

const WORDS = { do: '', undo: 'Undone: ', redo: 'Done again: ', lost: 'Could not be read any more: ' } as const;
const DAY = new Intl.DateTimeFormat(undefined, { dateStyle: 'full' });
const TIME = new Intl.DateTimeFormat(undefined, { timeStyle: 'short' });

const QUESTION = 'What did I change?';

/** What did I change? Every change, newest first, and beside it the pieces as they were then; one click goes back there. */
export function HistoryPage({ w }: { w: Workbook }) {
  // Asked anew after every change, also where that follows at once.
  const { data } = useAsked(
    'GET /api/projects/{id}/history',
    w.saving ? null : { id: w.id },
    { revalidateOnMount: true, keepPreviousData: true },
    `?on=${w.revision}`,
  );
  const [asked, setAsked] = useSearchParams();
  const changes = data?.changes ?? [];
  const at = changes.find((c) => String(c.revision) === asked.get('at')) ?? changes[0];
  if (!changes.length)
    return (
      <Page question={QUESTION}>
        <Text color="quiet">{data ? 'Nothing yet.' : 'Looking it up …'}</Text>
      </Page>
    );
  return (
    <Page
      question={QUESTION}
      lead="Undo takes back the last change, redo brings it again; both are noted here too. Ctrl and Z work everywhere."
      side={
        <Changes
          changes={changes}
          at={at?.revision ?? 0}
          onGo={(revision) => setAsked({ at: String(revision) }, { replace: true })}
        />
      }
    >
      {at && <Then key={at.revision} w={w} at={at} newest={at === changes[0]} />}
    </Page>
  );
}

interface ChangesProps {
  changes: HistoryEntry[];
  at: number;
  onGo: (revision: number) => void;
}

/** The changes by their days; nothing is ever taken out of them. */
function Changes({ changes, at, onGo }: ChangesProps) {
  const days = new Map<string, HistoryEntry[]>();
  for (const c of changes) {
    const day = DAY.format(new Date(c.at));
    days.set(day, [...(days.get(day) ?? []), c]);
  }
  return [...days].map(([day, list]) => (
    <Box key={day} mb="3">
      <Heading as="h2" fontSize="18px" fontWeight="600" mb="1" color="leaf.fg">
        {day}
      </Heading>
      <Box as="ol" listStyleType="none" m="0" p="0">
        {list.map((c) => (
          <li key={c.revision}>
            <Button
              variant="plain"
              w="100%"
              minH="44px"
              h="auto"
              py="1"
              px="3"
              gap="3"
              justifyContent="flex-start"
              alignItems="baseline"
              textAlign="left"
              whiteSpace="normal"
              borderRadius="0"
              borderWidth="0 0 0 4px"
              borderColor={c.revision === at ? 'leaf.solid' : 'transparent'}
              bg={c.revision === at ? 'sheet' : undefined}
              color={c.kind === 'do' ? 'ink' : 'quiet'}
              fontWeight={c.revision === at ? 650 : 450}
              aria-current={c.revision === at ? 'true' : undefined}
              onClick={() => onGo(c.revision)}
            >
              <Text as="span" minW="4.6em" color="quiet" fontWeight="450">
                {TIME.format(new Date(c.at))}
              </Text>
              <span>
                {WORDS[c.kind]}
                {c.label}
              </span>
            </Button>
          </li>
        ))}
      </Box>
    </Box>
  ));
}

interface ThenProps {
  w: Workbook;
  at: HistoryEntry;
  /** It is as it stands now. */
  newest: boolean;
}

/** The pieces as they were after a change, and the way back there. */
function Then({ w, at, newest }: ThenProps) {
  const { data, error } = useAsked(
    'GET /api/projects/{id}/at/{revision}',
    newest ? null : { id: w.id, revision: at.revision },
    { revalidateOnFocus: false },
  );
  const doc = newest ? w.doc : data?.document;
  const computed = useMemo(() => (doc ? (doc === w.doc ? w.computed : compute(doc)) : null), [doc, w.doc, w.computed]);
  const tall = useTall(300, 380);
  const when = `${TIME.format(new Date(at.at))}, ${DAY.format(new Date(at.at))}`;
  return (
    <Box as="article" aria-label="As it was then">
      <Heading as="h2" fontSize="24px" fontWeight="600" lineHeight="1.25">
        {WORDS[at.kind]}
        {at.label}
      </Heading>
      <Text color="quiet" mb="3">
        {newest ? 'As it stands now.' : `As it was after this, ${when}.`}
      </Text>
      {!newest && doc && (
        <Flex mb="3">
          <Button
            variant="outline"
            borderColor="leaf.border"
            minH="44px"
            onClick={() => w.save(`Back to as it was after “${at.label}”`, doc, true)}
          >
            Go back to this
          </Button>
        </Flex>
      )}
      {error && (
        <Text role="alert" color="berry">
          {error.message}
        </Text>
      )}
      {!doc && !error && <Text color="quiet">Looking it up …</Text>}
      {computed && !computed.pieces.length && <Text color="quiet">There was no pattern yet.</Text>}
      {computed && computed.pieces.length > 0 && (
        <Spread
          pieces={computed.pieces}
          cutLines={computed.cutLines}
          units={doc?.units ?? 'mm'}
          height={tall}
          place="history"
          label="The pieces as they were then"
        />
      )}
    </Box>
  );
}
