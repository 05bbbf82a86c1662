import { type LiningHem } from '../../core/inside/hem.ts';
import { type HemChoice } from '../../core/project.ts';
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
