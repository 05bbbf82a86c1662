import { Text } from '@chakra-ui/react';
import { type Closure, EDGE_CLEAR, MOST_BUTTONS, ROUNDINGS } from '../../../core/closure/index.ts';
import { CLOSING_ONLY } from '../../../core/document/project.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Ask, Tick } from '../../ui/Ask.tsx';
import { Count } from '../../ui/Count.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { roundingWords } from '../../words/index.ts';
import { Bust, KeptClear, Kind } from './ClosingQuestions.tsx';
import { repinned, standPut } from './closing.ts';
import { type Asked, Asks, Group, LengthLine, type Props, topOf } from './closingAsk.tsx';

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

const placed = (w: Workbook): Closure | null => (w.computed.closure?.ok ? w.computed.closure.value : null);

/** How many there is room for, where more are asked. */
function roomFor({ computed }: Workbook): number | null {
  const full = computed.closure?.ok ? undefined : computed.closure?.findings.find((f) => f.code === 'too-many-buttons');
  return full ? Number(full.data?.most) : null;
}

function HowMany(p: Asked) {
  const room = roomFor(p.w);
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
          label={c.by !== 'count' ? 'At least' : c.kind === 'double' ? 'How many rows?' : 'How many buttons?'}
          value={c.count}
          least={1}
          most={MOST_BUTTONS}
          onValue={(count) =>
            put(
              {
                count,
                most: Math.max(count, c.most),
                answer: 0,
                ...(c.by === 'count' && { pins: repinned(placed(p.w), c.pins, count) }),
              },
              `${count} buttons`,
            )
          }
        />
      )}
      {room !== null && (
        <Text role="alert" color="berry" fontSize="14px" mb="2">
          From 1 to {room} fit.
        </Text>
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
      <Asks
        {...p}
        of="diameter"
        label="Button, across"
        least={5}
        most={p.c.band > 0 ? Math.max(6, p.c.band - EDGE_CLEAR[p.c.fastener]) : 50}
      />
      {p.c.band > 0 && (
        <Text color="quiet" fontSize="15px" mt="-2" mb="3">
          The band is {formatLength(p.c.band, p.w.doc.units)} wide.
        </Text>
      )}
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
          <Asks {...p} of="top" label={`First, below ${topOf(p.w)}`} least={0} most={150} />
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
