import { Box, Button, Text } from '@chakra-ui/react';
import { type Stiffened } from '../../../core/document/project.ts';
import { type LengthUnit } from '../../../core/units.ts';
import { blanks, type PutPart } from '../../ui/fields.tsx';
import { ChoiceBlank, Say } from '../../ui/Sentence.tsx';
import { type EdgeChoice, edgeChoices, shellOf } from './asking.tsx';
import { type Deciding } from './deciding.ts';
import { regionFields } from './fields/interfacing.ts';

/** How wide a strip is to begin with, mm: as along a zip (1", common practice). */
const USUAL = 25;

/** Interfacing wherever else it is wished: along any edge of a piece or its lining, or all of it. */
export function RegionQuestions(d: Deciding) {
  const { regions } = d.w.doc.decisions.interfacing;
  const { lined } = shellOf(d);
  const choices = edgeChoices(d, true);
  const save = (words: string, next: Stiffened[]): void => d.set('interfacing', { regions: next }, words);
  const change = (i: number, part: Partial<Stiffened>, words?: string): void =>
    d.set('interfacing', { regions: regions.map((r, k) => (k === i ? { ...r, ...part } : r)) }, words);
  const first = choices[0];
  return (
    <Box mb="3">
      <Text fontWeight="550" mb="1">
        Wherever else
      </Text>
      {regions.map((r, i) => (
        <OneRegion
          key={`${r.piece}${r.edge}${i}`}
          n={i + 1}
          r={r}
          units={d.w.doc.units}
          choices={choices}
          lined={lined(r.piece)}
          onChange={(part, words) => change(i, part, words)}
          onDrop={() =>
            save(
              'One interfacing less',
              regions.filter((_, k) => k !== i),
            )
          }
        />
      ))}
      {first && (
        <Button
          size="sm"
          variant="outline"
          borderColor="rule"
          onClick={() =>
            save('One interfacing more', [
              ...regions,
              { piece: first.piece, edge: first.edge, width: USUAL, on: 'shell' },
            ])
          }
        >
          Interface another edge or piece
        </Button>
      )}
    </Box>
  );
}

interface OneProps {
  n: number;
  r: Stiffened;
  units: LengthUnit;
  choices: EdgeChoice[];
  lined: boolean;
  onChange: PutPart<Stiffened>;
  onDrop: () => void;
}

/** One of them: where, how wide, on which layer. */
function OneRegion({ n, r, units, choices, lined, onChange, onDrop }: OneProps) {
  const f = blanks(regionFields(n), r, units, onChange);
  return (
    <Say>
      Interfaced is{' '}
      <ChoiceBlank
        label={`Interfaced place ${n}`}
        value={`${r.piece}/${r.edge ?? ''}`}
        ways={[
          ...choices.map((c) => ({ id: `${c.piece}/${c.edge ?? ''}`, words: c.words })),
          { id: 'none', words: 'nothing: left out again' },
        ]}
        onPick={(key) => {
          if (key === 'none') return onDrop();
          const [piece, edge] = key.split('/') as [string, string];
          onChange({ piece, edge: edge || null }, 'Interfaced elsewhere');
        }}
      />
      {r.edge !== null && <>, {f.width} wide</>}
      {lined && <>, {f.on}</>}.
    </Say>
  );
}
