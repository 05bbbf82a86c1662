import { Button } from '@chakra-ui/react';
import { ZONE_NAMES } from '../../../contract/findings.ts';
import { type ClosureChoice, hasHoles, type Keep } from '../../../core/closure/index.ts';
import { CLOSING_ONLY } from '../../../core/document/project.ts';
import { capital } from '../../../core/text.ts';
import { formatLength } from '../../../core/units.ts';
import { blanks, type PutPart } from '../../ui/fields.tsx';
import { ChoiceBlank, Say, type Way } from '../../ui/Sentence.tsx';
import { type Asked, Closes, putIn, topOf } from './closingAsk.tsx';
import { bustFields, DOUBLE, keepFields, kindFields, waistFields } from './fields.ts';

export function KeptClear(p: Asked) {
  const { c, put, features, w } = p;
  const { units } = w.doc;
  const f = blanks(waistFields(topOf(w)), c.waist, units, putIn(c, put, 'waist'));
  return (
    <>
      <Say>
        The waist {f.keepClear}
        {c.waist.keepClear && (
          <>
            {' '}
            of {f.belt},{' '}
            {features?.waist == null ? (
              <>
                {f.at} below {topOf(w)}
              </>
            ) : (
              <>{formatLength(features.waist, units)} down, as it is drawn</>
            )}
          </>
        )}
        .
      </Say>
      {c.keep.map((_, i) => (
        <Kept key={i} {...p} i={i} />
      ))}
      {c.keep.length < 12 && (
        <Button
          size="sm"
          variant="outline"
          borderColor="rule"
          mb="4"
          onClick={() => put({ keep: [...c.keep, { code: 'cross-seam', at: 250, width: 0 }] }, 'A place kept clear')}
        >
          Keep another place clear
        </Button>
      )}
    </>
  );
}

const KEPT: readonly Way<Keep['code'] | 'none'>[] = [
  ...(['waist-seam', 'pocket', 'cross-seam', 'other'] as const).map((id) => ({ id, words: ZONE_NAMES[id] ?? id })),
  { id: 'none', words: 'nothing: left out again' },
];

/** One place that is kept clear: what it is, where, how wide. */
function Kept({ i, c, put, w }: Asked & { i: number }) {
  const k = c.keep[i] as Keep;
  const change: PutPart<Keep> = (part, words) =>
    put({ keep: c.keep.map((x, n) => (n === i ? { ...x, ...part } : x)) }, words);
  const f = blanks(keepFields(i + 1, topOf(w)), k, w.doc.units, change);
  return (
    <Say>
      Kept clear is{' '}
      <ChoiceBlank
        label={`Kept clear ${i + 1}`}
        value={k.code}
        ways={KEPT}
        onPick={(code) =>
          code === 'none'
            ? put({ keep: c.keep.filter((_, n) => n !== i) }, 'Not kept clear any more')
            : change({ code }, 'Kept clear')
        }
      />
      , {f.at} below {topOf(w)}, {f.width} wide along the line.
    </Say>
  );
}

export function Bust({ c, put, features, w }: Asked) {
  const { units } = w.doc;
  const level = features?.bust;
  const from = level
    ? `from the ${level.from === 'dart' ? 'dart' : 'underarm'}, ${formatLength(level.at, units)} below the neck seam`
    : '';
  // Measured for the first time it begins with what the pattern says.
  const bust: PutPart<ClosureChoice['bust']> = (part, words) =>
    put({ bust: { ...c.bust, ...part, ...(part.own && level && { at: Math.round(level.at) }) } }, words);
  const f = blanks(bustFields(topOf(w), from), c.bust, units, bust);
  return (
    <Say>
      At bust level a button {f.want}. The level is {level && <>{f.own}</>}
      {(!level || c.bust.own) && (
        <>
          {level && ': '}
          {f.at} below {topOf(w)}
        </>
      )}
      . For the pull: round the bust the body is {f.body}, the closed garment {f.garment}.
    </Say>
  );
}

/** What goes with a way of closing: a fly's holes run along it; a half placket is short and ends near its lower end. */
const KIND_USUAL: Partial<Record<ClosureChoice['kind'], Partial<ClosureChoice>>> = {
  hidden: { direction: 'vertical' },
  half: { direction: 'vertical', length: 280, bottom: 40, count: 3, by: 'count' },
};

export function Kind({ c, put, w }: Asked) {
  const { units } = w.doc;
  const pattern = w.doc.garment !== CLOSING_ONLY;
  const drawn = w.computed.shell.some((q) => q.kind === 'front' && q.lines.some((l) => l.kind === 'centre-front'));
  const f = blanks(kindFields(units), c, units, (part, words) =>
    put({ ...part, ...(part.kind && KIND_USUAL[part.kind]) }, words),
  );
  const g = blanks(DOUBLE, c.double, units, putIn(c, put, 'double'));
  const holes = hasHoles(c.fastener);
  return (
    <Say>
      {pattern && <Closes w={w} put={put} />} The closing is {f.kind}
      {c.kind === 'half' && pattern && <>, {f.length} long</>}
      {c.kind === 'double' && (
        <>
          , its columns {g.across} from centre front, {g.columns} each side, {g.working} rows really closing
        </>
      )}
      , with {f.fastener}
      {!holes && c.fastener !== 'loop' && <>, show buttons {f.show}</>}. {capital(holes ? 'holes' : 'what lies on top')}{' '}
      {holes ? 'are' : 'is'} on the wearer’s {f.side}.{' '}
      {!drawn && <>It reaches {f.extension} beyond the centre line. </>}
      The band is {f.band}.
    </Say>
  );
}
