import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { type Material, type Piece } from '../../core/pattern/index.ts';
import { type Workbook } from '../api/useProject.ts';
import { Spread } from '../drawing/Spread.tsx';
import { AllWell, Findings, Why } from '../parts/Notes.tsx';
import { Empty, Page, SheetBox } from '../parts/Page.tsx';
import { MATERIAL_WORDS } from '../words/index.ts';
import { type Deciding } from './deciding.ts';
import { FacingQuestions, HemQuestions, InterfacingQuestions, LiningQuestions } from './InsideQuestions.tsx';

type Chapter = 'facing' | 'lining' | 'hems' | 'interfacing';

const CHAPTERS: [Chapter, string][] = [
  ['facing', 'Facings'],
  ['lining', 'Lining'],
  ['hems', 'Hems'],
  ['interfacing', 'Interfacing'],
];

const SHOWN: Record<Chapter, Material> = {
  facing: 'facing',
  lining: 'lining',
  hems: 'lining',
  interfacing: 'interfacing',
};

/** What else do I cut? Facings, lining, interfacing, live while a slider moves. */
export function Inside({ w }: { w: Workbook }) {
  const [chapter, setChapter] = useState<Chapter>('facing');
  const set: Deciding['set'] = (key, part, label) => {
    const next = { ...w.doc, decisions: { ...w.doc.decisions, [key]: { ...w.doc.decisions[key], ...part } } };
    if (label) w.save(label, next);
    else w.preview(next);
  };
  if (!w.doc.shell) {
    return (
      <Page question="What else do I cut?">
        <Empty title="First the pattern">
          Put the shell pattern in on the first page; facings, lining and interfacing are drafted from it.
        </Empty>
      </Page>
    );
  }
  const d: Deciding = { w, set };
  return (
    <Page
      question="What else do I cut?"
      lead="Each answer redraws the pieces at once. The faint outline is the shell they were drafted from."
      side={
        <SheetBox>
          <Flex
            as="div"
            role="tablist"
            aria-label="Parts of the inside"
            gap="1"
            mb="4"
            css={{ '& button': { paddingInline: '10px', flex: '1 1 auto' } }}
          >
            {CHAPTERS.map(([c, words]) => (
              <Button
                key={c}
                role="tab"
                aria-selected={c === chapter}
                size="sm"
                variant={c === chapter ? 'solid' : 'outline'}
                colorPalette="leaf"
                onClick={() => setChapter(c)}
              >
                {words}
              </Button>
            ))}
          </Flex>
          {chapter === 'facing' && <FacingQuestions {...d} />}
          {chapter === 'lining' && <LiningQuestions {...d} />}
          {chapter === 'hems' && <HemQuestions {...d} />}
          {chapter === 'interfacing' && <InterfacingQuestions {...d} />}
        </SheetBox>
      }
    >
      <Drafted w={w} material={SHOWN[chapter]} />
      <Proof w={w} />
    </Page>
  );
}

/** The drafted pieces of one material over the shell, and why each is as it is. */
function Drafted({ w, material }: { w: Workbook; material: Material }) {
  const pieces = useMemo(() => w.computed.inside.filter((p) => p.material === material), [w.computed, material]);
  const ghosts = useMemo(
    () => w.computed.shell.filter((s) => pieces.some((p) => p.parent === s.id)),
    [w.computed, pieces],
  );
  const spread = useMemo(() => (material === 'interfacing' ? apart(pieces) : pieces), [pieces, material]);
  if (!pieces.length) {
    return (
      <Empty title={`No ${MATERIAL_WORDS[material].word.toLowerCase()} here`}>
        Either it is switched off at the left, or the list below says what is in the way.
      </Empty>
    );
  }
  return (
    <SheetBox>
      <Spread
        pieces={spread}
        cutLines={w.computed.cutLines}
        units={w.doc.units}
        height={500}
        label={`${MATERIAL_WORDS[material].word}: the pieces to cut`}
        ghosts={material === 'interfacing' ? NONE : ghosts}
      />
      <Box display="grid" gridTemplateColumns="repeat(auto-fit, minmax(230px, 1fr))" columnGap="6">
        {pieces.map((p) => (
          <Why key={p.id} reasons={p.reasons} units={w.doc.units} about={`the ${p.name.toLowerCase()}`} />
        ))}
      </Box>
    </SheetBox>
  );
}

const NONE: Piece[] = [];
/** Interfacings of one shell piece lie over each other; shown side by side they can be told apart. */
const apart = (pieces: Piece[]): Piece[] => pieces.map(({ parent: _, ...rest }) => rest);

/** The short list that is green, or says where and what. */
function Proof({ w }: { w: Workbook }) {
  const seams = w.computed.seams.filter((s) => s.group !== 'shell');
  const off = seams.filter((s) => s.verdict === 'a-too-long' || s.verdict === 'a-too-short');
  const findings = w.computed.findings;
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="2">
        Does it hold?
      </Heading>
      {seams.length > 0 && off.length === 0 && (
        <AllWell words={`All ${seams.length} seams of the inside go together.`} />
      )}
      {off.length > 0 && (
        <Text color="berry" fontWeight="600">
          {off.length} of {seams.length} seams of the inside do not fit; the seam page shows which.
        </Text>
      )}
      <Findings findings={findings} w={w} well="Nothing else to worry about." />
    </SheetBox>
  );
}
