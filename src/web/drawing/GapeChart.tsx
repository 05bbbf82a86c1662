import { CartesianGrid, Legend, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { bustLevel, type Closure } from '../../core/closure/index.ts';
import { formatLength, inUnit, type LengthUnit } from '../../core/units.ts';

const LOOK = [
  { stroke: 'var(--chakra-colors-berry)', dash: '' },
  { stroke: 'var(--chakra-colors-leaf-solid)', dash: '6 4' },
  { stroke: 'var(--chakra-colors-quiet)', dash: '2 4' },
] as const;

/** The pull between buttons along the line, one curve an answer, the taken one full. */
export default function GapeChart({ c, names, units }: { c: Closure; names: string[]; units: LengthUnit }) {
  const pulls = c.gaping ?? [];
  const bust = bustLevel(c.choice, c.features);
  const tick = { fontSize: 14, fill: 'var(--chakra-colors-ink)' };
  const far = Math.max(...c.answers.flatMap((a) => a.at));
  return (
    <div
      style={{ minWidth: 0, overflow: 'hidden' }}
      role="img"
      aria-label={`Pull between the buttons: ${pulls.map((g, i) => `${names[i]} ${percent(g.worst)}`).join(', ')}`}
    >
      <ResponsiveContainer width="100%" height={230}>
        <LineChart margin={{ top: 14, right: 16, bottom: 22, left: 4 }}>
          <CartesianGrid stroke="var(--chakra-colors-rule)" vertical={false} />
          <XAxis
            dataKey="at"
            type="number"
            domain={[0, Math.ceil(far / 50) * 50]}
            tick={tick}
            tickFormatter={(v: number) => formatLength(v, units, 0)}
            label={{
              value: c.piece ? 'from the neck seam' : 'from the top',
              position: 'insideBottom',
              offset: -12,
              fontSize: 14,
              fill: 'var(--chakra-colors-quiet)',
            }}
          />
          <YAxis tick={tick} width={56} tickFormatter={percent} />
          <ReferenceLine
            x={bust}
            stroke="var(--chakra-colors-leaf-solid)"
            strokeDasharray="4 4"
            label={{ value: 'bust', fontSize: 14, position: 'insideTopLeft', fill: 'var(--chakra-colors-leaf-fg)' }}
          />
          <Legend verticalAlign="top" height={28} />
          {pulls.map((g, i) => (
            <Line
              key={i}
              data={g.line}
              dataKey="bow"
              name={names[i] ?? ''}
              dot={false}
              isAnimationActive={false}
              stroke={LOOK[i]?.stroke ?? ''}
              strokeWidth={i === c.chosen ? 3 : 1.6}
              strokeDasharray={LOOK[i]?.dash ?? ''}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
      <p style={{ fontSize: 15, color: 'var(--chakra-colors-quiet)' }}>
        {inUnit(
          'An estimate of how far the edge bows open between two buttons, drawn out by the body at bust level. 100 % is a gap of {80 mm} right there in a garment without any ease. Cloth, interfacing and posture are not in it: it compares spacings, and measures nothing.',
          units,
        )}
      </p>
    </div>
  );
}

const percent = (v: number): string => `${Math.round(v * 100)} %`;
