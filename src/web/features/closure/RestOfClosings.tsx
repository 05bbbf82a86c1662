import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { useState } from 'react';
import {
  FASTENERS,
  hasHoles,
  LAYOUTS,
  measuredOn,
  SMALL_KINDS,
  type Small,
  type SmallChoice,
  type SmallKind,
  usualSmall,
} from '../../../core/closure/index.ts';
import { capital } from '../../../core/text.ts';
import { formatLength, type LengthUnit } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { SmallDrawing } from '../../drawing/SmallDrawing.tsx';
import { Ask, Pick } from '../../ui/Ask.tsx';
import { Count } from '../../ui/Count.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { Findings } from '../../ui/Notes.tsx';
import { Empty, SheetBox } from '../../ui/Page.tsx';
import { CLOSED_WITH, FASTENER_WORDS, LAYOUT_WORDS, SMALL_WORDS } from '../../words/index.ts';
import { type Put, type ViewProps } from './closing.ts';

/** A new closing: as it is usual, as long as the pattern says. */
const begun = (w: Workbook, kind: SmallKind): SmallChoice => {
  const { closure } = w.doc.decisions;
  const used = new Set(closure.others.map((o) => o.id));
  let n = 1;
  while (used.has(`c${n}`)) n++;
  return { ...usualSmall(kind, `c${n}`), ...measuredOn(w.computed.shell, kind, closure.extension) };
};

/** What else closes: added here, one after another. */
export function RestQuestions({ w, put }: { w: Workbook; put: Put }) {
  const [kind, setKind] = useState<SmallKind>('cuff');
  const { others } = w.doc.decisions.closure;
  return (
    <SheetBox>
      <Text fontWeight="550">Something else that closes</Text>
      <Flex gap="2" mt="1">
        <Pick
          label="What else closes"
          value={kind}
          options={SMALL_KINDS.map((k) => [k, SMALL_WORDS[k]])}
          onPick={setKind}
        />
        <Button
          colorPalette="leaf"
          disabled={others.length >= 12}
          onClick={() => put({ others: [...others, begun(w, kind)] }, SMALL_WORDS[kind])}
        >
          Add
        </Button>
      </Flex>
      <Text color="quiet" fontSize="15px" mt="3">
        Cuffs, waistband and neckline are measured on the pattern where it has them.
      </Text>
    </SheetBox>
  );
}

export function RestOfClosings(p: ViewProps) {
  if (!p.c.small.length)
    return (
      <Empty title="Nothing else closes yet">Add cuffs, tabs, a waistband or a detachable collar at the left.</Empty>
    );
  return p.c.small.map((s) => <One key={s.choice.id} s={s} {...p} />);
}

type LengthKey = 'length' | 'width' | 'lap' | 'shoulder' | 'diameter' | 'thickness';

/** What is measured of a small closing: its key, words and range, mm. */
function lengthsOf({ kind, layout, fastener }: SmallChoice): [LengthKey, string, number, number][] {
  const collar = kind === 'collar' || kind === 'hood';
  const opening = kind === 'shoulder' || kind === 'back-neck';
  const button = fastener === 'button' || fastener === 'loop';
  const laps = kind === 'waistband' || (kind === 'cuff' && layout !== 'link');
  const long = collar ? 'Half neckline, on the seam line' : opening ? 'Opening, long' : 'Long, finished';
  const all: [LengthKey, string, number, number, boolean][] = [
    ['length', long, 20, 2000, true],
    ['width', collar ? 'Band, wide' : 'Wide, finished', 8, 300, true],
    ['lap', 'Ends lap by', 5, 200, laps],
    ['shoulder', 'Centre back to shoulder seam', 20, 400, collar],
    ['diameter', button ? 'Button, across' : 'Across', 4, 50, true],
    ['thickness', 'Button, thick', 1, 20, button],
  ];
  return all.flatMap(([key, label, least, most, asked]) => (asked ? [[key, label, least, most]] : []));
}

function One({ s, w, put }: ViewProps & { s: Small }) {
  const { units } = w.doc;
  const { choice } = s;
  const { others } = w.doc.decisions.closure;
  const name = SMALL_WORDS[choice.kind];
  const change = (part: Partial<SmallChoice>, label = name) =>
    put({ others: others.map((o) => (o.id === choice.id ? { ...o, ...part } : o)) }, label);
  const drop = () => put({ others: others.filter((o) => o.id !== choice.id) }, `Without ${name.toLowerCase()}`);
  return (
    <SheetBox as="section" aria-label={name}>
      <Flex justify="space-between" align="center" mb="2">
        <Heading as="h2" fontSize="20px" fontWeight="600">
          {name}
        </Heading>
        <Button size="xs" variant="ghost" onClick={drop}>
          Remove
        </Button>
      </Flex>
      <SmallDrawing s={s} units={units} />
      <Text my="2">{tally(s, (v) => formatLength(v, units))}</Text>
      <Findings findings={s.findings} w={w} well="Wide enough, and clear of the edges." />
      <Asked choice={choice} units={units} change={change} />
    </SheetBox>
  );
}

interface AskedProps {
  choice: SmallChoice;
  units: LengthUnit;
  change: (part: Partial<SmallChoice>, label?: string) => void;
}

function Asked({ choice, units, change }: AskedProps) {
  const counted = choice.kind === 'back-neck' || choice.kind === 'shoulder' || choice.kind === 'waistband';
  return (
    <>
      <Flex gap="4" wrap="wrap" mt="2" align="end">
        <Box w="190px">
          <Text fontSize="15px">With</Text>
          <Pick
            label="Fastener"
            value={choice.fastener}
            options={FASTENERS.map((f) => [f, CLOSED_WITH[f]])}
            onPick={(fastener) => change({ fastener })}
          />
        </Box>
        {lengthsOf(choice).map(([key, label, least, most]) => (
          <Box key={key}>
            <Text fontSize="15px">{label}</Text>
            <LengthField
              label={label}
              value={choice[key]}
              units={units}
              least={least}
              most={most}
              onValue={(v) => change({ [key]: v }, `${label}: ${formatLength(v, units)}`)}
            />
          </Box>
        ))}
      </Flex>
      <Flex gap="6" wrap="wrap" mt="3">
        {choice.kind === 'cuff' && (
          <Ask
            question="Buttons"
            value={choice.layout}
            answers={LAYOUTS.map((l) => [l, LAYOUT_WORDS[l]])}
            onAnswer={(layout) => change({ layout }, LAYOUT_WORDS[layout])}
          />
        )}
        {counted && (
          <Count label="How many" value={choice.count} least={1} most={20} onValue={(count) => change({ count })} />
        )}
        <Count
          label="Of these on the garment"
          value={choice.times}
          least={1}
          most={12}
          onValue={(times) => change({ times })}
        />
      </Flex>
    </>
  );
}

/** What is made on all of them together. */
function tally(s: Small, mm: (v: number) => string): string {
  const { choice: c } = s;
  const each = c.times === 2 ? ', on both together' : c.times > 2 ? `, on all ${c.times} together` : '';
  const at = [...new Set(s.spots.filter((p) => p.over).map((p) => mm(p.x)))].join(', ');
  const from =
    c.kind === 'collar' || c.kind === 'hood'
      ? 'from centre back, both halves alike'
      : c.kind === 'shoulder'
        ? 'from the neck end'
        : c.layout === 'link' && c.kind === 'cuff'
          ? 'from one end'
          : 'from the end that lies on top';
  const made = [
    ...(s.holes ? [`${s.holes} ${s.holes === 1 ? 'hole' : 'holes'}, opening ${mm(s.hole?.opening ?? 0)}`] : []),
    ...(s.buttons ? [`${s.buttons} ${s.buttons === 1 ? 'button' : 'buttons'}`] : []),
    ...(s.snaps ? [`${s.snaps} ${FASTENER_WORDS[c.fastener][s.snaps === 1 ? 0 : 1]}`] : []),
    ...(s.loop ? [`loops ${mm(s.loop)} long from seam to seam, and two seam allowances`] : []),
  ];
  const what = made.length ? made.join(', ') : FASTENER_WORDS[c.fastener][1];
  return `${capital(what)}${each}. ${hasHoles(c.fastener) ? 'Hole' : 'Place'} at ${at} ${from}.`;
}
