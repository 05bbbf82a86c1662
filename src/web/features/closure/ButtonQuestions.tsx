import { Text } from '@chakra-ui/react';
import { type Closure, type ClosureChoice } from '../../../core/closure/index.ts';
import { CLOSING_ONLY } from '../../../core/document/project.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { blanks, type PutPart } from '../../ui/fields.tsx';
import { ChoiceBlank, Say, type Way } from '../../ui/Sentence.tsx';
import { Bust, KeptClear, Kind } from './ClosingQuestions.tsx';
import { repinned, standPut } from './closing.ts';
import { type Asked, type Props, putIn, topOf } from './closingAsk.tsx';
import { endFields, GROUP, kindFields, numberFields, STAND, spacingFields } from './fields.ts';

/** Everything that is asked to place the buttons, the first things first; each with a sensible answer already chosen. */
export function ButtonQuestions({ w, put }: Props) {
  const c = w.doc.decisions.closure;
  const result = w.computed.closure;
  const p: Asked = { w, put, c, features: result?.ok ? result.value.features : null };
  return (
    <>
      <HowMany {...p} />
      <Ends {...p} />
      <Spacing {...p} />
      <Kind {...p} />
      <KeptClear {...p} />
      <Bust {...p} />
    </>
  );
}

const placed = (w: Workbook): Closure | null => (w.computed.closure?.ok ? w.computed.closure.value : null);

/** How many there is room for, where more are asked. */
function roomFor({ computed }: Workbook): number | null {
  const full = computed.closure?.ok ? undefined : computed.closure?.findings.find((f) => f.code === 'too-many-buttons');
  return full ? Number(full.data?.most) : null;
}

function HowMany(p: Asked) {
  const { c, put, w } = p;
  const { units } = w.doc;
  const room = roomFor(w);
  // Another number is another search: its best answer, and what is pinned moves to the nearest.
  const number: PutPart<ClosureChoice> = (part, words) =>
    put(
      {
        ...part,
        answer: 0,
        ...(part.count !== undefined && { most: Math.max(part.count, c.most) }),
        ...(part.count !== undefined && c.by === 'count' && { pins: repinned(placed(w), c.pins, part.count) }),
      },
      words,
    );
  const n = blanks(numberFields(c), c, units, number);
  const size = blanks(numberFields(c), c, units, put);
  const what = c.kind === 'double' ? 'rows' : 'buttons';
  return (
    <>
      {w.doc.garment === CLOSING_ONLY && (
        <Say>The closing is {blanks(kindFields(units), c, units, put).length} long.</Say>
      )}
      <Say>
        Decided {n.by}:{' '}
        {c.by === 'count' && (
          <>
            {n.count} {what}
          </>
        )}
        {c.by === 'range' && (
          <>
            from {n.count} to {n.most} {what}
          </>
        )}
        {c.by === 'gap' && <>a gap of {n.gap} is wished</>}, each {size.diameter} across and {size.thickness} thick.
      </Say>
      {c.band > 0 && (
        <Text color="quiet" fontSize="15px" mt="-2" mb="3">
          The band is {formatLength(c.band, units)} wide.
        </Text>
      )}
      {room !== null && (
        <Text role="alert" color="berry" fontSize="15px" mb="2">
          From 1 to {room} fit.
        </Text>
      )}
    </>
  );
}

type First = 'below' | 'stand' | 'break';

function Ends(p: Asked) {
  const { c, put, features, w } = p;
  const { units } = w.doc;
  const f = blanks(endFields(topOf(w)), c, units, put);
  const broken = features?.break != null;
  const first: First = c.stand.hole ? 'stand' : broken && c.breakTop ? 'break' : 'below';
  const ways: Way<First>[] = [
    { id: 'below', words: `below ${topOf(w)}` },
    { id: 'stand', words: 'in the collar stand' },
    ...(broken ? [{ id: 'break' as const, words: 'at the lapel’s break point' }] : []),
  ];
  const putFirst = (to: First): void =>
    put(
      { ...((to === 'stand') !== c.stand.hole && standPut(c, to === 'stand')), breakTop: to === 'break' },
      `The first: ${ways.find((x) => x.id === to)?.words}`,
    );
  const atPocket = c.pocketBottom && !!features?.pockets.length;
  return (
    <Say>
      The first lies {first === 'below' && <>{f.top} </>}
      <ChoiceBlank label="The first lies" value={first} ways={ways} onPick={putFirst} />
      {first === 'below' && <> and may move by {f.topGive}</>}
      {first === 'stand' && !features?.stand && (
        <>, which is {blanks(STAND, c.stand, units, putIn(c, put, 'stand')).height} high</>
      )}
      ; the last {!atPocket && <>{f.bottom} </>}
      {features?.pockets.length ? (
        <ChoiceBlank
          label="The lowest lies"
          value={atPocket ? 'pocket' : 'above'}
          ways={[
            { id: 'above', words: 'above the lower end' },
            { id: 'pocket', words: 'level with the pocket' },
          ]}
          onPick={(x) =>
            put({ pocketBottom: x === 'pocket' }, x === 'pocket' ? 'Lowest at the pocket' : 'Lowest above the hem')
          }
        />
      ) : (
        'above the lower end'
      )}
      , and may move by {f.bottomGive}.
    </Say>
  );
}

function Spacing({ c, put, w }: Asked) {
  const { units } = w.doc;
  const f = blanks(spacingFields(units), c, units, put);
  const g = blanks(GROUP, c.group, units, putIn(c, put, 'group'));
  return (
    <Say>
      Gaps are {f.school}
      {c.school === 'first' && <>, which is {f.firstGap}</>}
      {c.school === 'groups' && (
        <>
          {' '}
          of {g.size}, {g.inner} apart within
        </>
      )}
      , in whole steps of {f.rounding}.
    </Say>
  );
}
