import { Bar, BarChart, Legend, ResponsiveContainer, XAxis, YAxis } from 'recharts';

interface Props {
  /** A row a width: its figure, and a figure for each way the cloth may lie; null where something does not fit. */
  rows: { width: string; single: number | null; folded: number | null }[];
  /** How each way is called. */
  names: { single: string; folded: string };
  /** How a figure is said. */
  said: (v: number) => string;
}

/** What other widths take, single and folded, side by side. */
export default function LengthChart({ rows, names, said }: Props) {
  const tick = { fontSize: 14, fill: 'var(--chakra-colors-ink)' };
  const bar = (key: 'single' | 'folded', fill: string) => (
    <Bar
      dataKey={key}
      name={names[key]}
      fill={fill}
      stroke="var(--chakra-colors-leaf-solid)"
      isAnimationActive={false}
    />
  );
  return (
    <div style={{ minWidth: 0, overflow: 'hidden' }} aria-hidden>
      <ResponsiveContainer width="100%" height={190}>
        <BarChart data={rows} margin={{ top: 4, right: 4, bottom: 0, left: 0 }}>
          <XAxis dataKey="width" tick={tick} interval={0} />
          <YAxis tick={tick} width={72} tickFormatter={said} />
          <Legend
            verticalAlign="top"
            height={28}
            formatter={(name) => <span style={{ color: 'var(--chakra-colors-ink)', fontSize: 14 }}>{name}</span>}
          />
          {bar('single', 'var(--chakra-colors-leaf-solid)')}
          {bar('folded', 'var(--chakra-colors-leaf-muted)')}
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
