import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { STRIP_KINDS, type StripKind, type StripSaid } from '../../../core/document/project.ts';
import { blanks } from '../../ui/fields.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { ChoiceBlank, Say } from '../../ui/Sentence.tsx';
import { type EdgeChoice, edgeChoices } from './asking.tsx';
import { type Deciding } from './deciding.ts';
import { stripFields } from './fields/interfacing.ts';

const KIND_NAMES: Record<StripKind, string> = {
  tie: 'Tie',
  ruffle: 'Ruffle',
  flounce: 'Flounce',
  'belt-loops': 'Belt loops',
};

/** What each begins with, mm: common practice. */
const USUAL: Record<StripKind, Pick<StripSaid, 'count' | 'length' | 'width' | 'ratio' | 'hem'>> = {
  tie: { count: 2, length: 900, width: 30, ratio: 1, hem: 0 },
  ruffle: { count: 1, length: 1, width: 80, ratio: 2, hem: 10 },
  flounce: { count: 1, length: 1, width: 150, ratio: 1, hem: 10 },
  'belt-loops': { count: 5, length: 60, width: 10, ratio: 1, hem: 0 },
};

const isSewnOn = (k: StripKind): boolean => k === 'ruffle' || k === 'flounce';

/** Pieces that are cut by figures: ties, ruffles, flounces, belt loops. */
export function StripQuestions(d: Deciding) {
  const { strips } = d.w.doc.decisions;
  const save = (words: string, next: StripSaid[]): void => d.set('strips', next, words);
  const edges = edgeChoices(d);
  const add = (kind: StripKind): void => {
    const most = Math.max(0, ...strips.map((s) => Number(s.id.slice(1)) || 0));
    const hem = edges.find((e) => e.words.endsWith('hem')) ?? edges[0];
    const to = isSewnOn(kind) && hem?.edge ? { piece: hem.piece, edge: hem.edge } : null;
    save(`With: ${KIND_NAMES[kind].toLowerCase()}`, [
      ...strips,
      { id: `s${most + 1}`, kind, name: KIND_NAMES[kind], ...USUAL[kind], to },
    ]);
  };
  return (
    <>
      <Text mb="2">Pieces that no pattern draws, cut by their figures.</Text>
      <Flex gap="2" wrap="wrap" mb="4">
        {STRIP_KINDS.map((k) => (
          <Button key={k} size="sm" variant="outline" borderColor="rule" onClick={() => add(k)}>
            Add {KIND_NAMES[k].toLowerCase()}
          </Button>
        ))}
      </Flex>
      {strips.map((s) => (
        <OneStrip
          key={s.id}
          d={d}
          s={s}
          edges={edges}
          onSave={(words, next) =>
            d.set(
              'strips',
              strips.map((x) => (x.id === s.id ? next : x)),
              words && `${next.name}: ${words}`,
            )
          }
          onDrop={() =>
            save(
              `Without: ${s.name}`,
              strips.filter((x) => x.id !== s.id),
            )
          }
        />
      ))}
    </>
  );
}

interface OneProps {
  d: Deciding;
  s: StripSaid;
  edges: EdgeChoice[];
  /** Without words it is shown and not kept. */
  onSave: (words: string | undefined, s: StripSaid) => void;
  onDrop: () => void;
}

/** One of them: its name and figures. */
function OneStrip({ d, s, edges, onSave, onDrop }: OneProps) {
  const f = blanks(stripFields(s), s, d.w.doc.units, (part, words) => onSave(words, { ...s, ...part }));
  return (
    <Box borderTopWidth="1px" borderColor="rule" pt="3" mb="3">
      <NameField label="Its name" value={s.name} onName={(name) => onSave('named', { ...s, name })} />
      <Say>
        {isSewnOn(s.kind) ? (
          <>
            It is sewn to{' '}
            <ChoiceBlank
              label={`${s.name}: the edge it is sewn to`}
              value={s.to ? `${s.to.piece}/${s.to.edge}` : ''}
              ways={[
                { id: '', words: 'an edge …' },
                ...edges.map((e) => ({ id: `${e.piece}/${e.edge}`, words: e.words })),
              ]}
              onPick={(key) => {
                const [piece, edge] = key.split('/');
                onSave('sewn to another edge', { ...s, to: piece && edge ? { piece, edge } : null });
              }}
            />
            , {f.width} deep with a hem of {f.hem}
            {s.kind === 'ruffle' && (
              <>
                ,{' '}
                <ChoiceBlank
                  label={`${s.name}: how full`}
                  value={String(s.ratio)}
                  said={`${s.ratio} times`}
                  ways={FULLNESS.map((id) => ({ id, words: `${id} times` }))}
                  onPick={(v) => onSave(`${v} times its edge`, { ...s, ratio: Number(v) })}
                />{' '}
                as long as its edge
              </>
            )}
          </>
        ) : (
          <>
            It is cut {f.count}, {f.length} long and {f.width} wide when finished
          </>
        )}
        .
      </Say>
      <Button size="xs" variant="ghost" color="berry" onClick={onDrop}>
        Leave it out
      </Button>
    </Box>
  );
}

/** How many times as long as its edge a ruffle usually is. Common practice. */
const FULLNESS = ['1.25', '1.5', '1.75', '2', '2.5', '3'];
