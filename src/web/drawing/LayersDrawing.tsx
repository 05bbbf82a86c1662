import { type Layers, type Ply } from '../../core/plan/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { MATERIAL_WORDS } from '../words/index.ts';

interface Props {
  layers: Layers;
  names: Record<string, string>;
  units: LengthUnit;
}

const HEAD = { fontSize: 14, color: 'var(--chakra-colors-quiet)' };
const WIDE = 330;
const HIGH = 24;
const GAP = 5;

/** A ply's name, short enough for its bar. */
const short = (name: string): string => (name.length > 26 ? `${name.slice(0, 25)}…` : name);

/** What a ply is called: its part, its hem apart. */
export const called = (p: Ply, names: Record<string, string>): string =>
  p.hem ? `${names[p.part] ?? p.part}, hem` : (names[p.part] ?? p.part);

/** What a ply is, for reader and screen alike. */
const said = (p: Ply, names: Record<string, string>): string =>
  `${called(p, names)}, ${p.up} side up${p.fused ? ', interfaced' : ''}`;

/**
 * One layer in section: the right side of the cloth is the thick line with its dots, the wrong side the thin one; interfacing
 * is dashed along the wrong side.
 */
function Bar({ ply, x, y, width, names }: { ply: Ply; x: number; y: number; width: number; names: Props['names'] }) {
  const ink = `var(--chakra-colors-${ply.material})`;
  const [right, wrong] = ply.up === 'right' ? [y + 2, y + HIGH - 2] : [y + HIGH - 2, y + 2];
  const dots = Array.from({ length: Math.floor(width / 14) }, (_, i) => x + 7 + i * 14);
  return (
    <g>
      <rect x={x} y={y + 2} width={width} height={HIGH - 4} fill={ink} fillOpacity={0.1} />
      <path d={`M${x} ${wrong}h${width}`} stroke={ink} strokeWidth={1} />
      <path d={`M${x} ${right}h${width}`} stroke={ink} strokeWidth={3} />
      {dots.map((d) => (
        <circle key={d} cx={d} cy={ply.up === 'right' ? right - 3.4 : right + 3.4} r={1.3} fill={ink} />
      ))}
      {ply.fused && (
        <path
          d={`M${x} ${ply.up === 'right' ? wrong - 3 : wrong + 3}h${width}`}
          stroke="var(--chakra-colors-interfacing)"
          strokeWidth={2}
          strokeDasharray="7 3"
        />
      )}
      <text x={x + 6} y={y + HIGH / 2 + 4.5} fill="var(--chakra-colors-ink)" style={{ fontSize: 12.5 }}>
        {MATERIAL_WORDS[ply.material].letter} · {short(called(ply, names))}
      </text>
    </g>
  );
}

function Stack({ plies, x, width, names }: { plies: Ply[]; x: number; width: number; names: Props['names'] }) {
  const top = [...plies].reverse();
  return top.map((p, i) => (
    <Bar key={`${p.part}-${p.hem ?? ''}`} ply={p} x={x} y={6 + i * (HIGH + GAP)} width={width} names={names} />
  ));
}

const wordsOf = (plies: Ply[], names: Record<string, string>): string =>
  [...plies]
    .reverse()
    .map((q) => said(q, names))
    .join('; under it ');

/** The layers as they are sewn, and when it is done, in words from the top. */
export const laidWords = ({ before }: Layers, names: Props['names']): string =>
  `For the seam, from the top: ${wordsOf(before, names)}`;
export const doneWords = ({ after }: Layers, names: Props['names']): string =>
  `When it is done: ${after.map((plies) => wordsOf(plies, names)).join('; beside it ')}`;

/** The layers of a joining in section, as they lie for the seam and when it is pressed. */
export function LayersDrawing({ layers, names, units }: Props) {
  const { before, after, allowances } = layers;
  const half = (WIDE - 8) / after.length;
  const high = (n: number): number => 12 + n * (HIGH + GAP);
  const beforeHigh = high(before.length);
  const afterHigh = high(Math.max(...after.map((a) => a.length)));
  return (
    <figure style={{ margin: 0, width: WIDE }}>
      <div style={HEAD}>For the seam</div>
      <svg viewBox={`0 0 ${WIDE} ${beforeHigh}`} width="100%" role="img" aria-label={laidWords(layers, names)}>
        <Stack plies={before} x={0} width={WIDE - 26} names={names} />
        <path
          d={`M${WIDE - 44} 2V${beforeHigh - 4}`}
          stroke="var(--chakra-colors-berry)"
          strokeWidth={1.6}
          strokeDasharray="4 3"
        />
      </svg>
      <div style={HEAD}>When it is done</div>
      <svg viewBox={`0 0 ${WIDE} ${afterHigh}`} width="100%" role="img" aria-label={doneWords(layers, names)}>
        {after.map((plies, i) => (
          <Stack key={plies[0]?.part} plies={plies} x={i * (half + 8)} width={half} names={names} />
        ))}
      </svg>
      <figcaption style={{ fontSize: 14 }}>{allowanceWords(layers, names, units, allowances)}</figcaption>
    </figure>
  );
}

/** Where the allowances lie, in a sentence. */
export function allowanceWords(
  l: Layers,
  names: Props['names'],
  units: LengthUnit,
  lying: Layers['allowances'],
): string {
  const [a, b] = lying;
  if (!a || !b || a.width === 0) return '';
  const mm = (v: number): string => formatLength(v, units);
  if (a.over === 'between')
    return lying.every((x) => x.width === a.width)
      ? `Allowances between the layers, ${mm(a.width)} each.`
      : `Allowances between the layers, graded: ${lying.map((x) => `${names[x.part] ?? x.part} ${mm(x.width)}`).join(', ')}.`;
  if (a.over !== b.over) return `Allowances pressed open, ${mm(a.width)} each.`;
  const to = a.over === 'left' ? l.after[0]?.[0] : l.after[1]?.[0];
  return `Both allowances towards the ${(to ? called(to, names) : '').toLowerCase()}.`;
}
