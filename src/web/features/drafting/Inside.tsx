import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { CircleAlert } from 'lucide-react';
import { type FunctionComponent, useCallback, useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { ownCutLine } from '../../../core/document/compute.ts';
import { proofOf } from '../../../core/document/proof/index.ts';
import { type Material, type Piece } from '../../../core/pattern/index.ts';
import { type LengthUnit } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { OpenedOut } from '../../drawing/OpenedOut.tsx';
import { Spread } from '../../drawing/Spread.tsx';
import { useTall } from '../../drawing/useTall.ts';
import { Chip } from '../../ui/Chip.tsx';
import { later } from '../../ui/later.tsx';
import { AllWell, Findings, Why } from '../../ui/Notes.tsx';
import { Empty, Page, SheetBox } from '../../ui/Page.tsx';
import { ChoiceBlank, Say, type Way } from '../../ui/Sentence.tsx';
import { Tabs } from '../../ui/Tabs.tsx';
import { checkWords, MATERIAL_WORDS } from '../../words/index.ts';
import { ChangeSheets } from './ChangeSheet.tsx';
import { type Held, Holding, TakeChoices } from './Comparing.tsx';
import { type Deciding } from './deciding.ts';
import { FacingQuestions } from './FacingQuestions.tsx';
import { HemQuestions } from './HemQuestions.tsx';
import { InterfacingQuestions } from './InterfacingQuestions.tsx';
import { LiningQuestions } from './LiningQuestions.tsx';
import { StripQuestions } from './StripQuestions.tsx';

type Chapter = 'facing' | 'lining' | 'hems' | 'interfacing' | 'strips';

const CHAPTERS: [Chapter, string][] = [
  ['facing', 'Facings'],
  ['lining', 'Lining'],
  ['hems', 'Hems'],
  ['interfacing', 'Interfacing'],
  ['strips', 'Ties'],
];

/** Sentences follow a moment after the drawing: what they set is decided on what stands then. */
const QUESTIONS: Record<Chapter, FunctionComponent<Deciding>> = {
  facing: later(FacingQuestions),
  lining: later(LiningQuestions),
  hems: later(HemQuestions),
  interfacing: later(InterfacingQuestions),
  strips: later(StripQuestions),
};

type LiningWay = 'full' | 'changes';
const WAYS: readonly Way<LiningWay>[] = [
  { id: 'full', words: 'from pieces of its own' },
  { id: 'changes', words: "from the shell's pattern, with changes" },
];

const SHOWN: Record<Chapter, Material> = {
  facing: 'facing',
  lining: 'lining',
  hems: 'lining',
  interfacing: 'interfacing',
  strips: 'shell',
};

/** What else do I cut? Facings, lining, interfacing, live while a slider moves. */
export function Inside({ w }: { w: Workbook }) {
  // The part that is looked at is in the address: it stays on reload, and other pages lead to it.
  const [asked, setAsked] = useSearchParams();
  const chapter = CHAPTERS.find(([c]) => c === asked.get('part'))?.[0] ?? 'facing';
  const setChapter = useCallback((part: Chapter): void => setAsked({ part }, { replace: true }), [setAsked]);
  const [held, setHeld] = useState<Held | null>(null);
  const [way, setWay] = useState<LiningWay>('full');
  const set: Deciding['set'] = (key, part, words) => setDecision(w, key, part, { words });
  if (!w.doc.shell) {
    return (
      <Page question="What else do I cut?">
        <Empty title="First the pattern">
          Put the shell pattern in on the first page; facings, lining and interfacing are drafted from it.
        </Empty>
      </Page>
    );
  }
  const Asked = QUESTIONS[chapter];
  return (
    <Page
      question="What else do I cut?"
      side={
        <>
          <Tabs words="Parts of the inside" tabs={CHAPTERS} at={chapter} onTab={setChapter} />
          <Asked w={w} set={set} />
          {chapter === 'lining' && w.doc.decisions.lining.on && (
            <Say>
              I cut the lining <ChoiceBlank label="I cut the lining" value={way} ways={WAYS} onPick={setWay} />.
            </Say>
          )}
          {!held && <Holding w={w} held={held} onHold={setHeld} />}
          <TakeChoices w={w} />
        </>
      }
    >
      {held && <Holding w={w} held={held} onHold={setHeld} />}
      {chapter === 'lining' && way === 'changes' ? (
        <ChangeSheets w={w} pieces={w.computed.inside.filter((p) => p.material === 'lining')} />
      ) : (
        <>
          <Drafted w={w} material={SHOWN[chapter]} held={held} />
          {chapter === 'hems' && <Ribs w={w} />}
        </>
      )}
      <Proof w={w} />
    </Page>
  );
}

interface DraftedProps {
  w: Workbook;
  material: Material;
  held: Held | null;
}

/** The drafted pieces of one material over the shell, and why each is as it is. */
function Drafted({ w, material, held }: DraftedProps) {
  const { computed } = w;
  const pieces = useMemo(() => {
    const recut = material === 'facing' ? computed.recut.map((p) => ({ ...p, parent: p.id })) : NONE;
    // Facings are known before all else: while a slider moves one, the rest follows after it is drawn.
    const all = material === 'facing' ? computed.faced : computed.inside.filter((p) => p.material === material);
    return [...recut, ...each(all.filter((p) => !isRib(p)))];
  }, [computed, material]);
  const cutLines = useMemo(
    () =>
      new Map(
        pieces.flatMap((p) => {
          const cut = ownCutLine(p);
          return cut ? [[p.id, cut] as const] : [];
        }),
      ),
    [pieces],
  );
  const ghosts = useMemo(
    () =>
      w.computed.shell.flatMap((s) =>
        [...new Set(pieces.map((p) => p.parent))]
          .filter((id) => id?.split(AGAIN)[0] === s.id)
          .map((id) => ({ ...s, id: id as string })),
      ),
    [w.computed, pieces],
  );
  const other = useMemo(
    () => each(held?.computed.inside.filter((p) => p.material === material) ?? NONE),
    [held, material],
  );
  const spread = useMemo(
    () => (material === 'interfacing' ? apart(pieces) : pieces.flatMap((p) => (isStrip(p) ? apart([p]) : [p]))),
    [pieces, material],
  );
  const [opened, setOpened] = useState(false);
  const tall = useTall(300, 400);
  // Opened out the layers can be seen together; at first the one that is asked about.
  const [layers, setLayers] = useState<ReadonlySet<Material>>(new Set([material]));
  useEffect(() => setLayers(new Set([material])), [material]);
  const drafted = useMemo(
    () => (opened ? computed.inside.filter((p) => layers.has(p.material)) : NONE),
    [computed, layers, opened],
  );
  if (!pieces.length) {
    return (
      <Empty title={`No ${MATERIAL_WORDS[material].word.toLowerCase()} here`}>
        Either it is switched off at the left, or the list below says what is in the way.
      </Empty>
    );
  }
  const lies = pieces.some((p) => p.ring.some((e) => e.from));
  return (
    <>
      <Flex gap="2" mb="2" wrap="wrap" align="center">
        {lies && <ViewChips opened={opened} onOpened={setOpened} />}
        {lies && opened && <LayerChips shown={layers} onShown={setLayers} inside={w.computed.inside} />}
      </Flex>
      {other.length > 0 && material !== 'interfacing' && (
        <Text color="quiet" fontSize="15px">
          Dots: the seam line of the choices held.
        </Text>
      )}
      {opened && lies ? (
        <OpenedOut
          surface={w.computed.surface}
          units={w.doc.units}
          height={tall}
          place="inside-opened"
          lit={NOTHING}
          alone={NOTHING}
          picked={null}
          onEdge={() => undefined}
          shell={w.computed.shell}
          drafted={drafted}
          onPiece={() => setOpened(false)}
        />
      ) : (
        <Spread
          pieces={spread}
          cutLines={cutLines}
          units={w.doc.units}
          height={tall}
          place={`inside-${material}`}
          label={`${MATERIAL_WORDS[material].word}: the pieces to cut`}
          ghosts={material === 'interfacing' ? NONE : ghosts}
          held={material === 'interfacing' ? NONE : other}
        />
      )}
      <Reasons pieces={pieces} units={w.doc.units} />
    </>
  );
}

/** Why each piece is as it is. */
const Reasons = later(({ pieces, units }: { pieces: Piece[]; units: LengthUnit }) => (
  <Box display="grid" gridTemplateColumns="repeat(auto-fit, minmax(230px, 1fr))" columnGap="6">
    {pieces.map((p) => (
      <Why key={p.id} reasons={p.reasons} units={units} about={`the ${p.name.toLowerCase()}`} />
    ))}
  </Box>
));

const NOTHING: ReadonlySet<string> = new Set();

/** The pieces side by side, or where they lie in the garment laid open. */
function ViewChips({ opened, onOpened }: { opened: boolean; onOpened: (on: boolean) => void }) {
  return (
    <Flex gap="2" role="group" aria-label="How the pieces are shown">
      {[false, true].map((on) => (
        <Chip key={String(on)} on={opened === on} onClick={() => onOpened(on)}>
          {on ? 'Opened out' : 'Pieces'}
        </Chip>
      ))}
    </Flex>
  );
}

/** Layers that lie on the garment laid open, each by its letter; seen or not. */
function LayerChips({
  shown,
  inside,
  onShown,
}: {
  shown: ReadonlySet<Material>;
  inside: readonly Piece[];
  onShown: (s: ReadonlySet<Material>) => void;
}) {
  const toggle = (m: Material): void => {
    const next = new Set(shown);
    if (!next.delete(m)) next.add(m);
    onShown(next);
  };
  return (
    <Flex gap="2" ml="3" role="group" aria-label="Layers to be seen">
      {LAYERS.filter((m) => inside.some((p) => p.material === m)).map((m) => (
        <Chip key={m} on={shown.has(m)} onClick={() => toggle(m)}>
          {MATERIAL_WORDS[m].letter} {MATERIAL_WORDS[m].word.toLowerCase()}
        </Chip>
      ))}
    </Flex>
  );
}
const LAYERS = ['lining', 'facing', 'interfacing'] as const;

const isRib = (p: Piece): boolean => p.id.endsWith('-rib');

/** The ribs that shell and lining end in: long strips, drawn by themselves. */
function Ribs({ w }: { w: Workbook }) {
  const ribs = useMemo(() => w.computed.inside.filter(isRib), [w.computed]);
  if (!ribs.length) return null;
  return (
    <SheetBox>
      <Spread
        pieces={ribs}
        cutLines={w.computed.cutLines}
        units={w.doc.units}
        height={170}
        label="Ribs, to cut of knit"
      />
      {ribs.map((p) => (
        <Why key={p.id} reasons={p.reasons} units={w.doc.units} about={`the ${p.name.toLowerCase()}`} />
      ))}
    </SheetBox>
  );
}

const NONE: Piece[] = [];
const AGAIN = ' again ';
/** Where two pieces of one kind come from one shell piece (left and right beside a vent), each gets the shell's outline to itself. */
function each(pieces: Piece[]): Piece[] {
  const seen = new Map<string, number>();
  return pieces.map((p) => {
    if (p.parent === undefined || p.material !== 'lining') return p;
    const nth = (seen.get(p.parent) ?? 0) + 1;
    seen.set(p.parent, nth);
    return nth > 1 ? { ...p, parent: `${p.parent}${AGAIN}${nth}` } : p;
  });
}

/** A bias strip is cut straight and lies nowhere on its shell piece. */
const isStrip = (p: Piece): boolean => p.reasons.some((r) => r.rule === 'bias-length');
/** Interfacings of one shell piece lie over each other; shown side by side they can be told apart. */
const apart = (pieces: Piece[]): Piece[] => pieces.map(({ parent: _, ...rest }) => rest);

/** The short list that is green, or says where and what. */
const Proof = later(({ w }: { w: Workbook }) => {
  const { computed } = w;
  const checks = useMemo(() => proofOf(computed), [computed]);
  const nameOf = (id: string): string => computed.pieces.find((p) => p.id === id)?.name ?? id;
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="2">
        Does it hold?
      </Heading>
      {checks.map((k) =>
        checkWords(k, nameOf, w.doc.units).map((words) =>
          k.faults.length ? (
            <Flex key={words} gap="3" align="flex-start" py="2">
              <Box color={k.code === 'hem' ? 'honey' : 'berry'} flexShrink={0} mt="2px">
                <CircleAlert size={20} aria-label={k.code === 'hem' ? 'Look at this' : 'To mend'} />
              </Box>
              <Text>{words}</Text>
            </Flex>
          ) : (
            <AllWell key={words} words={words} />
          ),
        ),
      )}
      <Findings findings={w.computed.findings} w={w} well="Nothing else to worry about." />
    </SheetBox>
  );
});
