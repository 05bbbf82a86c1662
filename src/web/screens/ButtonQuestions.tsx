import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { type ReactNode } from 'react';
import { ZONE_NAMES } from '../../contract/findings.ts';
import {
  CLOSING_KINDS,
  type ClosureChoice,
  FASTENERS,
  type Features,
  type Keep,
  MOST_BUTTONS,
  ROUNDINGS,
} from '../../core/closure/index.ts';
import { CLOSING_ONLY } from '../../core/project.ts';
import { formatLength } from '../../core/units.ts';
import { type Workbook } from '../api/useProject.ts';
import { Ask, Pick as Choose, Tick } from '../parts/Ask.tsx';
import { Count } from '../parts/Count.tsx';
import { LengthField } from '../parts/LengthField.tsx';
import { Measure } from '../parts/Measure.tsx';
import { SheetBox } from '../parts/Page.tsx';
import { CLOSING_WORDS, FASTENER_WORDS, roundingWords } from '../words/index.ts';
import { type Put, standPut } from './closing.ts';

interface Props {
  w: Workbook;
  put: Put;
}
interface Asked extends Props {
  c: ClosureChoice;
  features: Features | null;
}

/** Everything that is asked to place the buttons, the first things first; each with a sensible answer already chosen. */
export function ButtonQuestions({ w, put }: Props) {
  const c = w.doc.decisions.closure;
  const result = w.computed.closure;
  const p: Asked = { w, put, c, features: result?.ok ? result.value.features : null };
  return (
    <>
      <SheetBox>
        {w.doc.garment === CLOSING_ONLY && <Line {...p} />}
        <HowMany {...p} />
        <Size {...p} />
      </SheetBox>
      <Group title="Ends: first and last">
        <Ends {...p} />
      </Group>
      <Group title="How they are spaced">
        <Spacing {...p} />
      </Group>
      <Group title="Kept clear: waist, pockets, seams">
        <KeptClear {...p} />
      </Group>
      <Group title="Bust level and pull">
        <Bust {...p} />
      </Group>
      <Group title="What closes, and how">
        <Kind {...p} />
      </Group>
    </>
  );
}

export const Closes = ({ c, put }: Pick<Asked, 'c' | 'put'>) => (
  <Tick
    label="It closes along the front"
    checked={c.on}
    onTick={(on) => put({ on }, on ? 'It closes' : 'It does not close')}
  />
);

export function Group({ title, open = false, children }: { title: string; open?: boolean; children: ReactNode }) {
  return (
    <SheetBox as="details" py="2" {...(open && { open: true })}>
      <Box as="summary" cursor="pointer" minH="36px" alignContent="center" fontWeight="600">
        {title}
      </Box>
      <Box pt="2">{children}</Box>
    </SheetBox>
  );
}

type LengthKey =
  | 'gap'
  | 'diameter'
  | 'thickness'
  | 'top'
  | 'topGive'
  | 'bottom'
  | 'bottomGive'
  | 'extension'
  | 'length'
  | 'firstGap'
  | 'band'
  | 'strip';

/** One length of the closing. */
export function Asks({
  w,
  put,
  of,
  label,
  least,
  most,
  help,
}: Props & { of: LengthKey; label: string; least: number; most: number; help?: string }) {
  const { units } = w.doc;
  return (
    <Measure
      label={label}
      value={w.doc.decisions.closure[of]}
      least={least}
      most={most}
      atLeast={least}
      units={units}
      {...(help && { help })}
      onPreview={(v) => put({ [of]: v })}
      onValue={(v) => put({ [of]: v }, `${label}: ${formatLength(v, units)}`)}
    />
  );
}

function Line(p: Asked) {
  return (
    <Asks
      {...p}
      of="length"
      label="Length of the closing"
      least={40}
      most={1500}
      help="From the neck seam, or its upper end, to its lower end."
    />
  );
}

function HowMany(p: Asked) {
  const { c, put } = p;
  return (
    <>
      <Ask
        question="Decide by"
        value={c.by}
        answers={[
          ['count', 'how many'],
          ['range', 'from … to'],
          ['gap', 'how far apart'],
        ]}
        onAnswer={(by) => put({ by, answer: 0 }, by === 'gap' ? 'Buttons by gap' : 'Buttons by number')}
      />
      {c.by === 'gap' ? (
        <Asks {...p} of="gap" label="Wished gap" least={20} most={200} />
      ) : (
        <Count
          label={c.by === 'count' ? 'How many buttons?' : 'At least'}
          value={c.count}
          least={1}
          most={MOST_BUTTONS}
          onValue={(count) => put({ count, most: Math.max(count, c.most), answer: 0 }, `${count} buttons`)}
        />
      )}
      {c.by === 'range' && (
        <Count
          label="At most"
          value={c.most}
          least={c.count}
          most={MOST_BUTTONS}
          onValue={(most) => put({ most, answer: 0 }, `Up to ${most} buttons`)}
        />
      )}
    </>
  );
}

function Size(p: Asked) {
  return (
    <>
      <Asks {...p} of="diameter" label="Button, across" least={5} most={50} />
      <Asks {...p} of="thickness" label="Button, thick" least={1} most={20} />
    </>
  );
}

function Ends(p: Asked) {
  const { c, put, features } = p;
  return (
    <>
      <Tick
        label="The first hole is in the collar stand"
        checked={c.stand.hole}
        onTick={(hole) => put(standPut(c, hole), hole ? 'A hole in the stand' : 'No hole in the stand')}
      />
      {c.stand.hole && !features?.stand && (
        <LengthLine
          {...p}
          label="Stand, high"
          value={c.stand.height}
          least={10}
          most={100}
          set={(height) => ({ stand: { ...c.stand, height } })}
        />
      )}
      {features?.break != null && !c.stand.hole && (
        <Tick
          label="The first at the lapel’s break point"
          checked={c.breakTop}
          onTick={(breakTop) => put({ breakTop }, breakTop ? 'First at the break point' : 'First below the neck')}
        />
      )}
      {!c.stand.hole && !(c.breakTop && features?.break != null) && (
        <>
          <Asks {...p} of="top" label="First, below the neck seam" least={0} most={150} />
          <Asks {...p} of="topGive" label="It may move by" least={0} most={50} />
        </>
      )}
      {!!features?.pockets.length && (
        <Tick
          label="The lowest level with the pocket"
          checked={c.pocketBottom}
          onTick={(pocketBottom) =>
            put({ pocketBottom }, pocketBottom ? 'Lowest at the pocket' : 'Lowest above the hem')
          }
        />
      )}
      {!(c.pocketBottom && features?.pockets.length) && (
        <Asks {...p} of="bottom" label="Last, above the lower end" least={0} most={700} />
      )}
      <Asks
        {...p}
        of="bottomGive"
        label="It may move by"
        least={0}
        most={50}
        help="A little room makes the gaps round: {10 mm} is seldom seen at the hem."
      />
    </>
  );
}

function LengthLine({
  w,
  put,
  label,
  value,
  least,
  most,
  set,
}: Props & { label: string; value: number; least: number; most: number; set: (v: number) => Partial<ClosureChoice> }) {
  const { units } = w.doc;
  return (
    <Flex justify="space-between" align="center" gap="3" mb="3">
      <Text>{label}</Text>
      <LengthField
        label={label}
        value={value}
        units={units}
        least={least}
        most={most}
        onValue={(v) => put(set(v), `${label}: ${formatLength(v, units)}`)}
      />
    </Flex>
  );
}

function Spacing(p: Asked) {
  const { c, put, w } = p;
  return (
    <>
      <Ask
        question="Gaps"
        value={c.school}
        answers={[
          ['equal', 'all alike'],
          ['first', 'first one its own'],
          ['groups', 'in groups'],
        ]}
        onAnswer={(school) => put({ school }, 'Way of spacing')}
      />
      {c.school === 'first' && (
        <Asks
          {...p}
          of="firstGap"
          label="First gap"
          least={20}
          most={150}
          help="Shorter at the collar, where it would stand open: {70 mm}, then {90 mm}."
        />
      )}
      {c.school === 'groups' && (
        <>
          <Ask
            question="In each group"
            value={String(c.group.size) as '2' | '3'}
            answers={[
              ['2', 'two'],
              ['3', 'three'],
            ]}
            onAnswer={(v) => put({ group: { ...c.group, size: Number(v) } }, `Groups of ${v}`)}
          />
          <LengthLine
            {...p}
            label="Apart within a group"
            value={c.group.inner}
            least={10}
            most={200}
            set={(inner) => ({ group: { ...c.group, inner } })}
          />
        </>
      )}
      <Ask
        question="Gaps in whole steps of"
        value={c.rounding}
        answers={ROUNDINGS.map((r) => [r, roundingWords(r, w.doc.units)])}
        onAnswer={(rounding) => put({ rounding }, `Steps of ${roundingWords(rounding, w.doc.units)}`)}
      />
    </>
  );
}

function KeptClear(p: Asked) {
  const { c, put, features } = p;
  const waist = (part: Partial<ClosureChoice['waist']>) => ({ waist: { ...c.waist, ...part } });
  const drop = (i: number) => put({ keep: c.keep.filter((_, k) => k !== i) }, 'Not kept clear any more');
  const change = (i: number, part: Partial<Keep>) => ({
    keep: c.keep.map((k, n) => (n === i ? { ...k, ...part } : k)),
  });
  return (
    <>
      <Tick
        label="Worn belted: keep the waist clear"
        checked={c.waist.keepClear}
        onTick={(keepClear) => put(waist({ keepClear }), keepClear ? 'Waist kept clear' : 'Waist not kept clear')}
      />
      {c.waist.keepClear && (
        <>
          {features?.waist == null ? (
            <LengthLine
              {...p}
              label="Waist, below the neck seam"
              value={c.waist.at}
              least={0}
              most={800}
              set={(at) => waist({ at })}
            />
          ) : (
            <Text color="quiet" fontSize="15px" mb="2">
              The waist is drawn on the pattern, {formatLength(features.waist, p.w.doc.units)} down.
            </Text>
          )}
          <LengthLine
            {...p}
            label="Belt, wide"
            value={c.waist.belt}
            least={0}
            most={200}
            set={(belt) => waist({ belt })}
          />
        </>
      )}
      {c.keep.map((k, i) => (
        <Box key={i} borderTopWidth="1px" borderColor="rule" pt="2" mb="2">
          <Flex gap="2" align="center" mb="2">
            <Choose
              label={`Kept clear ${i + 1}`}
              value={k.code}
              options={(['waist-seam', 'pocket', 'cross-seam', 'other'] as const).map((v) => [v, ZONE_NAMES[v] ?? v])}
              onPick={(code) => put(change(i, { code }), 'Kept clear')}
            />
            <Button size="xs" variant="ghost" onClick={() => drop(i)}>
              Remove
            </Button>
          </Flex>
          <LengthLine
            {...p}
            label="Below the neck seam"
            value={k.at}
            least={0}
            most={2000}
            set={(at) => change(i, { at })}
          />
          <LengthLine
            {...p}
            label="Wide along the line"
            value={k.width}
            least={0}
            most={400}
            set={(width) => change(i, { width })}
          />
        </Box>
      ))}
      {c.keep.length < 12 && (
        <Button
          size="sm"
          variant="outline"
          borderColor="rule"
          onClick={() => put({ keep: [...c.keep, { code: 'cross-seam', at: 250, width: 0 }] }, 'A place kept clear')}
        >
          Keep another place clear
        </Button>
      )}
    </>
  );
}

function Bust(p: Asked) {
  const { c, put, features } = p;
  const bust = (part: Partial<ClosureChoice['bust']>) => ({ bust: { ...c.bust, ...part } });
  return (
    <>
      <Ask
        question="A button at bust level"
        value={c.bust.want}
        answers={[
          ['no', 'as it comes'],
          ['near', 'as near as can be'],
          ['on', 'exactly on it'],
        ]}
        onAnswer={(want) => put(bust({ want }), 'Button at bust level')}
      />
      {features?.bust ? (
        <Text color="quiet" fontSize="15px" mb="2">
          {features.bust.from === 'dart' ? 'Bust level, from the dart' : 'Chest level, from the underarm'}:{' '}
          {formatLength(features.bust.at, p.w.doc.units)} below the neck seam.
        </Text>
      ) : (
        <LengthLine
          {...p}
          label="Bust level, below the neck seam"
          value={c.bust.at}
          least={0}
          most={600}
          set={(at) => bust({ at })}
        />
      )}
      <LengthLine
        {...p}
        label="Body, round the bust (0: not measured)"
        value={c.bust.body}
        least={0}
        most={2000}
        set={(body) => bust({ body })}
      />
      <LengthLine
        {...p}
        label="Garment, closed, round the bust"
        value={c.bust.garment}
        least={0}
        most={2500}
        set={(garment) => bust({ garment })}
      />
    </>
  );
}

/** What goes with a way of closing: a fly's holes run along it; a half placket is short and ends near its lower end. */
const KIND_USUAL: Partial<Record<ClosureChoice['kind'], Partial<ClosureChoice>>> = {
  hidden: { direction: 'vertical' },
  half: { direction: 'vertical', length: 280, bottom: 40, count: 3, by: 'count' },
};

function Kind(p: Asked) {
  const { c, put, w } = p;
  const pattern = w.doc.garment !== CLOSING_ONLY;
  const drawn = w.computed.shell.some((q) => q.kind === 'front' && q.lines.some((l) => l.kind === 'centre-front'));
  const double = (part: Partial<ClosureChoice['double']>) => ({ double: { ...c.double, ...part } });
  return (
    <>
      {pattern && <Closes c={c} put={put} />}
      <Text fontWeight="550">The front</Text>
      <Choose
        label="How the front closes"
        value={c.kind}
        options={CLOSING_KINDS.map((k) => [k, CLOSING_WORDS[k]])}
        onPick={(kind) => put({ kind, ...KIND_USUAL[kind] }, CLOSING_WORDS[kind])}
      />
      {c.kind === 'half' && pattern && (
        <LengthLine
          {...p}
          label="Half placket, long"
          value={c.length}
          least={40}
          most={900}
          set={(length) => ({ length })}
        />
      )}
      {c.kind === 'double' && (
        <Box mt="3">
          <LengthLine
            {...p}
            label="Column from centre front"
            value={c.double.across}
            least={10}
            most={150}
            set={(across) => double({ across })}
          />
          <Count
            label="Columns each side"
            value={c.double.columns}
            least={1}
            most={3}
            onValue={(columns) => put(double({ columns }), `${columns} columns each side`)}
          />
          <Count
            label="Rows that really close"
            value={c.double.working}
            least={0}
            most={20}
            onValue={(working) => put(double({ working }), `${working} working rows`)}
          />
        </Box>
      )}
      <Text fontWeight="550" mt="3">
        With
      </Text>
      <Choose
        label="Fastener"
        value={c.fastener}
        options={FASTENERS.map((f) => [f, FASTENER_WORDS[f][0]])}
        onPick={(fastener) => put({ fastener }, FASTENER_WORDS[fastener][0])}
      />
      {c.fastener !== 'button' && c.fastener !== 'loop' && (
        <Tick
          label="Show buttons sewn over them"
          checked={c.show}
          onTick={(show) => put({ show }, show ? 'Show buttons' : 'No show buttons')}
        />
      )}
      <Box mt="3">
        <Ask
          question="Holes on the wearer’s"
          value={c.side}
          answers={[
            ['right', 'right (women’s custom)'],
            ['left', 'left (men’s custom)'],
          ]}
          onAnswer={(side) => put({ side }, `Holes on the ${side}`)}
        />
      </Box>
      {!drawn && (
        <LengthLine
          {...p}
          label="Beyond the centre line"
          value={c.extension}
          least={0}
          most={200}
          set={(extension) => ({ extension })}
        />
      )}
      <LengthLine {...p} label="Band, wide (0: none)" value={c.band} least={0} most={120} set={(band) => ({ band })} />
    </>
  );
}
