import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { type ReactNode } from 'react';
import { STRIP_KINDS, type StripKind, type StripSaid } from '../../../core/document/project.ts';
import { formatLength } from '../../../core/units.ts';
import { Pick } from '../../ui/Ask.tsx';
import { Count } from '../../ui/Count.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { type EdgeChoice, edgeChoices } from './asking.tsx';
import { type Deciding } from './deciding.ts';

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
            save(
              `${next.name}: ${words}`,
              strips.map((x) => (x.id === s.id ? next : x)),
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
  onSave: (words: string, s: StripSaid) => void;
  onDrop: () => void;
}

/** One of them: its name and figures. */
function OneStrip({ d, s, edges, onSave, onDrop }: OneProps) {
  return (
    <Box borderTopWidth="1px" borderColor="rule" pt="3" mb="3">
      <NameField label="Its name" value={s.name} onName={(name) => onSave('named', { ...s, name })} />
      {isSewnOn(s.kind) ? (
        <SewnOn d={d} s={s} edges={edges} onSave={onSave} />
      ) : (
        <>
          <Figure
            d={d}
            s={s}
            of="length"
            label={s.kind === 'tie' ? 'Finished length' : 'Length of one'}
            most={4000}
            onSave={onSave}
          />
          <Figure d={d} s={s} of="width" label="Finished width" most={400} onSave={onSave} />
          <Count
            label="How many"
            value={s.count}
            least={1}
            most={40}
            onValue={(count) => onSave(`${count} of them`, { ...s, count })}
          />
        </>
      )}
      <Button size="xs" variant="ghost" color="berry" onClick={onDrop}>
        Leave it out
      </Button>
    </Box>
  );
}

/** What is sewn to an edge: to which, how deep, its hem, how full. */
function SewnOn({ d, s, edges, onSave }: Omit<OneProps, 'onDrop'>) {
  return (
    <>
      <Pick
        label={`${s.name}: the edge it is sewn to`}
        value={s.to ? `${s.to.piece}/${s.to.edge}` : ''}
        options={[['', 'an edge …'], ...edges.map((e): [string, string] => [`${e.piece}/${e.edge}`, e.words])]}
        onPick={(key) => {
          const [piece, edge] = key.split('/');
          onSave('sewn to another edge', { ...s, to: piece && edge ? { piece, edge } : null });
        }}
      />
      <Box h="2" />
      <Figure d={d} s={s} of="width" label="Finished depth" most={1500} onSave={onSave} />
      <Figure d={d} s={s} of="hem" label="Its hem" most={100} onSave={onSave} />
      {s.kind === 'ruffle' && (
        <Row label="Times as long as its edge">
          <Pick
            label={`${s.name}: times as long as its edge`}
            value={String(s.ratio)}
            options={FULLNESS.map((v): [string, string] => [v, v])}
            onPick={(v) => onSave(`${v} times its edge`, { ...s, ratio: Number(v) })}
          />
        </Row>
      )}
    </>
  );
}

/** How many times as long as its edge a ruffle usually is. Common practice. */
const FULLNESS = ['1.25', '1.5', '1.75', '2', '2.5', '3'];

const Row = ({ label, children }: { label: string; children: ReactNode }) => (
  <Flex align="center" gap="3" mb="2" justify="space-between">
    <Text>{label}</Text>
    {children}
  </Flex>
);

interface FigureProps extends Pick<OneProps, 'd' | 's' | 'onSave'> {
  of: 'length' | 'width' | 'hem';
  label: string;
  most: number;
}

/** One length of a strip. */
function Figure({ d, s, of, label, most, onSave }: FigureProps) {
  const { units } = d.w.doc;
  const words = label.toLowerCase();
  return (
    <Row label={label}>
      <LengthField
        label={`${s.name}: ${words}`}
        value={s[of]}
        units={units}
        least={of === 'hem' ? 0 : 3}
        most={most}
        onValue={(v) => onSave(`${words} ${formatLength(v, units)}`, { ...s, [of]: v })}
      />
    </Row>
  );
}
