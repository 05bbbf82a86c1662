import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { ZONE_NAMES } from '../../../contract/findings.ts';
import { CLOSING_KINDS, type ClosureChoice, FASTENERS, type Keep } from '../../../core/closure/index.ts';
import { CLOSING_ONLY } from '../../../core/document/project.ts';
import { formatLength } from '../../../core/units.ts';
import { Ask, Pick as Choose, Tick } from '../../ui/Ask.tsx';
import { Count } from '../../ui/Count.tsx';
import { CLOSED_WITH, CLOSING_WORDS } from '../../words/index.ts';
import { type Asked, Closes, LengthLine, topOf } from './closingAsk.tsx';

export function KeptClear(p: Asked) {
  const { c, put, features } = p;
  const waist = (part: Partial<ClosureChoice['waist']>) => ({ waist: { ...c.waist, ...part } });
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
              label={`Waist, below ${topOf(p.w)}`}
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
      {c.keep.map((_, i) => (
        <Kept key={i} {...p} i={i} />
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

/** One place that is kept clear: what it is, where, how wide. */
function Kept({ i, ...p }: Asked & { i: number }) {
  const { c, put } = p;
  const k = c.keep[i] as Keep;
  const change = (part: Partial<Keep>) => ({ keep: c.keep.map((x, n) => (n === i ? { ...x, ...part } : x)) });
  const drop = () => put({ keep: c.keep.filter((_, n) => n !== i) }, 'Not kept clear any more');
  return (
    <Box borderTopWidth="1px" borderColor="rule" pt="2" mb="2">
      <Flex gap="2" align="center" mb="2">
        <Choose
          label={`Kept clear ${i + 1}`}
          value={k.code}
          options={(['waist-seam', 'pocket', 'cross-seam', 'other'] as const).map((v) => [v, ZONE_NAMES[v] ?? v])}
          onPick={(code) => put(change({ code }), 'Kept clear')}
        />
        <Button size="xs" variant="ghost" onClick={drop}>
          Remove
        </Button>
      </Flex>
      <LengthLine
        {...p}
        label={`Below ${topOf(p.w)}`}
        value={k.at}
        least={0}
        most={2000}
        set={(at) => change({ at })}
      />
      <LengthLine
        {...p}
        label="Wide along the line"
        value={k.width}
        least={0}
        most={400}
        set={(width) => change({ width })}
      />
    </Box>
  );
}

export function Bust(p: Asked) {
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
          ['on', 'on it'],
        ]}
        onAnswer={(want) => put(bust({ want }), 'Button at bust level')}
      />
      {features?.bust && (
        <>
          <Text color="quiet" fontSize="15px" mb="1">
            {features.bust.from === 'dart' ? 'Bust level, from the dart' : 'Chest level, from the underarm'}:{' '}
            {formatLength(features.bust.at, p.w.doc.units)} below the neck seam.
          </Text>
          <Tick
            label="I have measured it"
            checked={c.bust.own}
            onTick={(own) =>
              put(
                bust({ own, ...(own && features.bust && { at: Math.round(features.bust.at) }) }),
                own ? 'Bust level as measured' : 'Bust level from the pattern',
              )
            }
          />
        </>
      )}
      {(!features?.bust || c.bust.own) && (
        <LengthLine
          {...p}
          label={`Bust level, below ${topOf(p.w)}`}
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

export function Kind(p: Asked) {
  const { c, put, w } = p;
  const pattern = w.doc.garment !== CLOSING_ONLY;
  const drawn = w.computed.shell.some((q) => q.kind === 'front' && q.lines.some((l) => l.kind === 'centre-front'));
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
      {c.kind === 'double' && <DoubleRows {...p} />}
      <Text fontWeight="550" mt="3">
        With
      </Text>
      <Choose
        label="Fastener"
        value={c.fastener}
        options={FASTENERS.map((f) => [f, CLOSED_WITH[f]])}
        onPick={(fastener) => put({ fastener }, CLOSED_WITH[fastener])}
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

/** Columns of a double-breasted front, and which of its rows close. */
function DoubleRows(p: Asked) {
  const { c, put } = p;
  const double = (part: Partial<ClosureChoice['double']>) => ({ double: { ...c.double, ...part } });
  return (
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
  );
}
