import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { type Stiffened } from '../../../core/document/project.ts';
import { formatLength, type LengthUnit } from '../../../core/units.ts';
import { Pick } from '../../ui/Ask.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { type EdgeChoice, edgeChoices, shellOf } from './asking.tsx';
import { type Deciding } from './deciding.ts';

/** How wide a strip is to begin with, mm: as along a zip (1", common practice). */
const USUAL = 25;

/** Interfacing wherever else it is wished: along any edge of a piece or its lining, or all of it. */
export function RegionQuestions(d: Deciding) {
  const { regions } = d.w.doc.decisions.interfacing;
  const { lined } = shellOf(d);
  const choices = edgeChoices(d, true);
  const save = (words: string, next: Stiffened[]): void => d.set('interfacing', { regions: next }, words);
  const change = (i: number, part: Partial<Stiffened>, words: string): void =>
    save(
      words,
      regions.map((r, k) => (k === i ? { ...r, ...part } : r)),
    );
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
  onChange: (part: Partial<Stiffened>, words: string) => void;
  onDrop: () => void;
}

/** One of them: where, how wide, on which layer. */
function OneRegion({ n, r, units, choices, lined, onChange, onDrop }: OneProps) {
  return (
    <Flex gap="2" wrap="wrap" align="center" mb="2">
      <Box w="full">
        <Pick
          label={`Interfaced place ${n}`}
          value={`${r.piece}/${r.edge ?? ''}`}
          options={choices.map((c): [string, string] => [`${c.piece}/${c.edge ?? ''}`, c.words])}
          onPick={(key) => {
            const [piece, edge] = key.split('/') as [string, string];
            onChange({ piece, edge: edge || null }, 'Interfaced elsewhere');
          }}
        />
      </Box>
      {r.edge !== null && (
        <LengthField
          label={`Width of interfaced place ${n}`}
          value={r.width}
          units={units}
          least={5}
          most={600}
          onValue={(width) => onChange({ width }, `Interfaced ${formatLength(width, units)} wide`)}
        />
      )}
      {lined && (
        <Box w="9em">
          <Pick
            label={`Interfaced place ${n} lies on`}
            value={r.on}
            options={[
              ['shell', 'on the shell'],
              ['lining', 'on the lining'],
            ]}
            onPick={(on) => onChange({ on }, on === 'lining' ? 'Interfaced on the lining' : 'Interfaced on the shell')}
          />
        </Box>
      )}
      <Button size="xs" variant="ghost" onClick={onDrop}>
        leave out
      </Button>
    </Flex>
  );
}
