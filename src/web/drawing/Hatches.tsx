import { type Material } from '../../core/pattern/index.ts';

/** Colour of a material as the theme names it. */
export const inkOf = (m: Material): string => `var(--chakra-colors-${m})`;

/** Hatchings of the four materials; `unit` is the size of one screen pixel in drawing units, so they keep their grain. */
export function Hatches({ unit, name }: { unit: number; name: string }) {
  const s = 9 * unit;
  const line = (d: string, m: Material, width = 1) => (
    <path d={d} stroke={inkOf(m)} strokeWidth={width * unit} opacity={0.42} fill="none" />
  );
  const pattern = (m: Material, children: React.ReactNode, turn = 0) => (
    <pattern
      key={m}
      id={`${name}-${m}`}
      width={s}
      height={s}
      patternUnits="userSpaceOnUse"
      patternTransform={`rotate(${turn})`}
    >
      <rect width={s} height={s} fill={inkOf(m)} opacity={0.07} />
      {children}
    </pattern>
  );
  return (
    <defs>
      {pattern('shell', line(`M0 0V${s}`, 'shell'), 45)}
      {pattern('facing', line(`M0 ${s / 2}H${s}`, 'facing', 1.2))}
      {pattern('lining', <circle cx={s / 2} cy={s / 2} r={1.3 * unit} fill={inkOf('lining')} opacity={0.5} />)}
      {pattern('interfacing', line(`M0 0V${s}M0 0H${s}`, 'interfacing', 0.8), 45)}
    </defs>
  );
}
