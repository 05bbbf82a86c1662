import { type HemChoice } from '../../core/document/project.ts';
import { type LiningHem } from '../../core/drafting/lining/hem.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';

interface Props {
  depth: number;
  choice: HemChoice;
  hem: LiningHem;
  units: LengthUnit;
}

/**
 * The hem cut through, seen from the side: shell outside at the left, its hem turned up inside, the lining with its fold.
 * Heights are to scale; widths are spread so that the layers can be told apart.
 */
export function HemSection({ depth, choice, hem, units }: Props) {
  if (choice.kind === 'rib' || choice.kind === 'edge')
    return <EdgeSection choice={choice} seam={hem.allowance} units={units} />;
  const top = Math.max(90, depth + 40);
  const y = (height: number) => top - height;
  const joined = choice.kind === 'joined';
  const held = depth - choice.seam;
  const fold = joined ? (held + hem.line) / 2 : choice.above;
  const ink = 'var(--chakra-colors-shell)';
  const berry = 'var(--chakra-colors-lining)';
  const shell = `M20 0V${y(4)}Q20 ${y(0)} 26 ${y(0)}Q32 ${y(0)} 32 ${y(4)}V${y(depth)}`;
  const lining = joined
    ? `M70 0V${y(held + 18)}C70 ${y(held)} 66 ${y(fold + 8)} 60 ${y(fold)}C52 ${y(fold)} 46 ${y(fold + 6)} 44 ${y(held)}L36 ${y(held)}V${y(depth)}`
    : `M62 0V${y(choice.above + 2)}Q62 ${y(choice.above)} 66 ${y(choice.above)}Q70 ${y(choice.above)} 70 ${y(choice.above + 3)}V${y(choice.above + choice.turn2)}L66 ${y(choice.above + choice.turn2 - 2)}V${y(choice.above + choice.turn2 - choice.turn1)}`;
  return (
    <svg
      viewBox={`0 0 250 ${top + 14}`}
      width="100%"
      style={{ maxWidth: 420 }}
      role="img"
      aria-label={`Section of the hem: lining ${formatLength(fold, units)} above the finished hem`}
    >
      <path d={shell} fill="none" stroke={ink} strokeWidth={3} />
      <path d={lining} fill="none" stroke={berry} strokeWidth={2.4} strokeDasharray="none" />
      <path
        d={`M8 ${y(0)}H120M58 ${y(fold)}H120`}
        stroke="var(--chakra-colors-quiet)"
        strokeWidth={0.7}
        strokeDasharray="3 2"
      />
      <path d={`M112 ${y(0)}V${y(fold)}`} stroke="var(--chakra-colors-ink)" strokeWidth={0.9} />
      <g style={{ fontSize: 11.5 }} fill="var(--chakra-colors-ink)">
        <text x={118} y={(y(0) + y(fold)) / 2 + 3}>
          {formatLength(fold, units)} clear
        </text>
        <text x={78} y={14} fill={berry}>
          lining
        </text>
        <text x={4} y={top + 12} fill={ink}>
          shell, hem {formatLength(depth, units)}
        </text>
        {joined && (
          <text x={118} y={y(fold) - 14}>
            fold holds {formatLength(hem.slack, units)} to spare
          </text>
        )}
      </g>
    </svg>
  );
}

/** Shell and lining at an edge that is not turned: seamed to each other, or to both edges of a rib folded double. */
function EdgeSection({ choice, seam, units }: { choice: HemChoice; seam: number; units: LengthUnit }) {
  const rib = choice.kind === 'rib' ? choice.ribDepth : 0;
  const top = 70;
  const up = Math.min(30, seam);
  const words = rib
    ? `Section at the rib: ${formatLength(rib, units)} deep, shell and lining to its two edges`
    : 'Section at the edge: shell and lining seamed together';
  return (
    <svg viewBox={`0 0 250 ${top + rib + 16}`} width="100%" style={{ maxWidth: 420 }} role="img" aria-label={words}>
      <path
        d={`M30 0V${top}Q30 ${top + 3} 34 ${top}V${top - up}`}
        fill="none"
        stroke="var(--chakra-colors-shell)"
        strokeWidth={3}
      />
      <path
        d={`M62 0V${top}Q62 ${top + 3} 58 ${top}V${top - up}`}
        fill="none"
        stroke="var(--chakra-colors-lining)"
        strokeWidth={2.4}
      />
      {rib > 0 && (
        <path
          d={`M38 ${top - up}V${top + rib - 6}Q38 ${top + rib} 46 ${top + rib}Q54 ${top + rib} 54 ${top + rib - 6}V${top - up}`}
          fill="none"
          stroke="var(--chakra-colors-facing)"
          strokeWidth={2.6}
        />
      )}
      <g style={{ fontSize: 11.5 }} fill="var(--chakra-colors-ink)">
        <text x={2} y={12} fill="var(--chakra-colors-shell)">
          shell
        </text>
        <text x={68} y={12} fill="var(--chakra-colors-lining)">
          lining
        </text>
        <text x={78} y={top}>
          seam {formatLength(seam, units)}
        </text>
        {rib > 0 && (
          <text x={78} y={top + rib / 2 + 4}>
            rib {formatLength(rib, units)}, double
          </text>
        )}
      </g>
    </svg>
  );
}
