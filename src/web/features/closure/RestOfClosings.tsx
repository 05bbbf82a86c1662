import { Button, Flex, Heading, Text } from '@chakra-ui/react';
import { useState } from 'react';
import {
  hasHoles,
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
import { Pick } from '../../ui/Ask.tsx';
import { blanks, type PutPart } from '../../ui/fields.tsx';
import { Findings } from '../../ui/Notes.tsx';
import { Empty, SheetBox } from '../../ui/Page.tsx';
import { Say } from '../../ui/Sentence.tsx';
import { FASTENER_WORDS, SMALL_WORDS } from '../../words/index.ts';
import { type Put, type ViewProps } from './closing.ts';
import { smallFields } from './fields.ts';

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

function One({ s, w, put }: ViewProps & { s: Small }) {
  const { units } = w.doc;
  const { choice } = s;
  const { others } = w.doc.decisions.closure;
  const name = SMALL_WORDS[choice.kind];
  const change: PutPart<SmallChoice> = (part, words) =>
    put({ others: others.map((o) => (o.id === choice.id ? { ...o, ...part } : o)) }, words && `${name}: ${words}`);
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
  change: PutPart<SmallChoice>;
}

/** What it closes with, how long and wide it is, how many there are of it. */
function Asked({ choice, units, change }: AskedProps) {
  const { kind, fastener } = choice;
  const f = blanks(smallFields(choice), choice, units, change);
  const collar = kind === 'collar' || kind === 'hood';
  const laps = kind === 'waistband' || (kind === 'cuff' && choice.layout !== 'link');
  const counted = kind === 'back-neck' || kind === 'shoulder' || kind === 'waistband';
  const button = fastener === 'button' || fastener === 'loop';
  return (
    <Say>
      It is there {f.times}, {collar && 'half the neckline '}
      {f.length} long and {f.width} wide
      {laps && <>, its ends lapping by {f.lap}</>}
      {collar && <>, the shoulder seam {f.shoulder} from centre back</>}. It closes with {f.fastener}
      {kind === 'cuff' && <>: {f.layout}</>}
      {counted && <>, {f.count} of them</>}, each {f.diameter} across{button && <> and {f.thickness} thick</>}.
    </Say>
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
