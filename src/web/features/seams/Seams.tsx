import { Box, Heading, Table, Text } from '@chakra-ui/react';
import { CircleAlert, CircleCheck } from 'lucide-react';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { seamFits, type WalkedSeam } from '../../../core/pattern/index.ts';
import { formatLength, inUnit } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Spread } from '../../drawing/Spread.tsx';
import { AllWell, Findings } from '../../ui/Notes.tsx';
import { Empty, Page, SheetBox } from '../../ui/Page.tsx';
import { cureWords, GROUP_WORDS, seamWords, verdictWords } from '../../words/index.ts';
import { CapCard } from './CapCard.tsx';
import { LinedInOneTick } from './LinedInOneTick.tsx';
import { OpenedCard } from './OpenedCard.tsx';
import { SewnCard } from './SewnCard.tsx';

/** What is wrong in the pattern itself beside seams of unlike length. */
const FAULTS = new Set([
  ...['seam-kink', 'notches-apart', 'dart-legs', 'edges-alone', 'joins-lost'],
  ...[
    'cap-not-lifted',
    'cap-not-deepened',
    'neck-narrow',
    'waist-closed',
    'cut-in',
    'opening-crosses',
    'opening-small',
  ],
]);

/** Will it go together? Every seam walked on both sides. */
export function Seams({ w }: { w: Workbook }) {
  const { seams, pieces, cutLines } = w.computed;
  // The seam that is looked at is in the address: it stays on reload, and the finder leads to it.
  const [asked, setAsked] = useSearchParams();
  const chosen = asked.get('seam');
  const setChosen = (id: string): void => setAsked({ seam: id }, { replace: true });
  const seam = seams.find((s) => s.id === chosen) ?? seams.find((s) => !seamFits(s)) ?? seams[0];
  const lit = useMemo(
    () => new Set([...(seam?.a ?? []), ...(seam?.b ?? [])].map((s) => `${s.piece}/${s.edge}`)),
    [seam],
  );
  if (!seams.length) {
    return (
      <Page question="Will it go together?">
        <Empty title="No seams yet">
          Seams follow from the edges: name a front, a back and a sleeve on the first page, and both sides of each seam
          are measured here.
        </Empty>
      </Page>
    );
  }
  const off = seams.filter((s) => !seamFits(s));
  const shown = pieces.filter((p) => [...(seam?.a ?? []), ...(seam?.b ?? [])].some((s) => s.piece === p.id));
  return (
    <Page
      question="Will it go together?"
      lead={inUnit(
        'Both sides of every seam, walked along the seam line from end to end. Up to {1.5 mm} passes.',
        w.doc.units,
      )}
      side={
        <>
          {off.length === 0 ? (
            <AllWell words={`All ${seams.length} seams go together.`} />
          ) : (
            <Text color="berry" fontWeight="650" mb="2">
              {off.length} of {seams.length} seams do not fit yet.
            </Text>
          )}
          <Findings findings={w.computed.findings.filter((f) => FAULTS.has(f.code))} w={w} />
          {(['shell', 'inside', 'closing'] as const).map((g) => (
            <Group
              key={g}
              title={GROUP_WORDS[g]}
              w={w}
              seams={seams.filter((s) => s.group === g)}
              chosen={seam?.id}
              onChoose={setChosen}
            />
          ))}
        </>
      }
    >
      <OpenedCard w={w} lit={lit} onChoose={setChosen} />
      {seam && (
        <SheetBox>
          <Heading as="h2" fontSize="20px" fontWeight="600">
            {seamWords(seam)}
          </Heading>
          <Text mb="2">
            {verdictWords(seam.verdict, seam.easeOf)}.{!seamFits(seam) && ` ${cureWords(seam.easeOf, w.doc.units)}`}
          </Text>
          <Spread
            pieces={shown}
            cutLines={cutLines}
            units={w.doc.units}
            height={380}
            label="The pieces of this seam, its edges lit"
            lit={lit}
          />
          <LinedInOneTick w={w} seam={seam} />
          <CapCard w={w} seam={seam} />
          <SewnCard w={w} seam={seam} />
        </SheetBox>
      )}
    </Page>
  );
}

interface GroupProps {
  title: string;
  w: Workbook;
  seams: WalkedSeam[];
  chosen: string | undefined;
  onChoose: (id: string) => void;
}

function Group({ title, w, seams, chosen, onChoose }: GroupProps) {
  if (!seams.length) return null;
  const mm = (v: number) => formatLength(v, w.doc.units);
  return (
    <Table.Root size="sm" mb="4">
      <Table.Header>
        <Table.Row bg="transparent">
          <Table.ColumnHeader color="quiet">{title}</Table.ColumnHeader>
          <Table.ColumnHeader color="quiet" textAlign="end">
            Difference
          </Table.ColumnHeader>
        </Table.Row>
      </Table.Header>
      <Table.Body>
        {seams.map((s) => (
          <Table.Row
            key={s.id}
            bg={s.id === chosen ? 'leaf.subtle' : 'transparent'}
            cursor="pointer"
            onClick={() => onChoose(s.id)}
          >
            <Table.Cell>
              <Box
                as="button"
                display="flex"
                gap="2"
                textAlign="left"
                alignItems="flex-start"
                onClick={() => onChoose(s.id)}
                aria-pressed={s.id === chosen}
              >
                <Box as="span" color={seamFits(s) ? 'good' : 'berry'} mt="2px">
                  {seamFits(s) ? (
                    <CircleCheck size={18} aria-label="fits" />
                  ) : (
                    <CircleAlert size={18} aria-label="does not fit" />
                  )}
                </Box>
                <span>
                  {seamWords(s)}
                  <Text as="span" display="block" fontSize="14px" color="quiet">
                    {verdictWords(s.verdict, s.easeOf)}: {mm(s.lengthAMm)} to {mm(s.lengthBMm)}
                  </Text>
                </span>
              </Box>
            </Table.Cell>
            <Table.Cell textAlign="end" whiteSpace="nowrap" fontWeight="600">
              {mm(s.differenceMm)}
            </Table.Cell>
          </Table.Row>
        ))}
      </Table.Body>
    </Table.Root>
  );
}
