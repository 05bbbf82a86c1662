import { Box, Button, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { CAP_WAYS, type CapWay } from '../../../core/document/project.ts';
import { boxOf, joinBoxes, pathLength } from '../../../core/geometry/index.ts';
import { pathData } from '../../../core/output/svg.ts';
import { capSeam, type Piece, type RedrawnCap, redrawCap, type WalkedSeam } from '../../../core/pattern/index.ts';
import { type Result } from '../../../core/result.ts';
import { formatLength } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Frame } from '../../drawing/Frame.tsx';
import { Chip } from '../../ui/Chip.tsx';
import { LengthBlank, Say } from '../../ui/Sentence.tsx';

const WAY_WORDS: Record<CapWay, [title: string, by: string]> = {
  deepened: ['Deeper towards the underarm', 'deeper'],
  lifted: ['Lifted at its top', 'higher'],
};

/** The most a cap is asked to be longer than its armhole, mm: a set-in sleeve's. Handbook figure from memory. */
const MOST_EASE = 40;

const capPath = (p: Piece) => p.ring.filter((e) => e.role === 'cap').flatMap((e) => e.path);

/** A sleeve cap too short for its armhole, redrawn either way over the old one before anything is cut. */
export function CapCard({ w, seam }: { w: Workbook; seam: WalkedSeam }) {
  const { caps } = w.doc.decisions;
  const id = seam.a.find((s) => s.role === 'cap')?.piece ?? '';
  const said = caps.find((c) => c.piece === id);
  const [ease, setEase] = useState<number | null>(null);
  const drawn = w.computed.before.find((p) => p.id === id) ?? w.computed.shell.find((p) => p.id === id);
  const walked = capSeam(w.computed.seams, id);
  if (!drawn || !walked || seam.id !== walked.id) return null;
  if (!said && seam.verdict !== 'a-too-short') return null;
  const { units } = w.doc;
  const wished = ease ?? said?.ease ?? Math.max(seam.ease.min, 0);
  // The seam as it was walked before the cap was redrawn: its armhole is the same.
  const before = { ...walked, lengthAMm: walked.lengthAMm + lengthOf(drawn) - lengthOf(nowOf(w, id)) };
  const save = (words: string, next: typeof caps): void => setDecision(w, 'caps', next, { words, told: true });
  const others = caps.filter((c) => c.piece !== id);
  const mm = (v: number): string => formatLength(v, units);
  return (
    <Box borderTopWidth="1px" borderColor="rule" mt="2" pt="2">
      <Say>
        The cap of {drawn.name}, redrawn, is{' '}
        <LengthBlank
          label="Longer than its armhole by"
          value={wished}
          least={0}
          most={MOST_EASE}
          units={units}
          onPreview={setEase}
          onValue={(v) => {
            setEase(v);
            if (said) save(`Cap ${mm(v)} longer than its armhole`, [...others, { ...said, ease: v }]);
          }}
        />{' '}
        longer than its armhole:
      </Say>
      <Box display="grid" gridTemplateColumns="1fr 1fr" gap="3">
        {CAP_WAYS.map((way) => (
          <OneWay
            key={way}
            w={w}
            way={way}
            drawn={drawn}
            made={redrawCap(drawn, before, way, wished)}
            chosen={said?.way === way}
            onChoose={() =>
              save(`${drawn.name}: ${WAY_WORDS[way][0].toLowerCase()}`, [...others, { piece: id, way, ease: wished }])
            }
          />
        ))}
      </Box>
      {said && (
        <Button mt="2" variant="ghost" size="sm" onClick={() => save(`${drawn.name}: cap as drawn`, others)}>
          As the pattern has it
        </Button>
      )}
    </Box>
  );
}

interface WayProps {
  w: Workbook;
  way: CapWay;
  drawn: Piece;
  made: Result<RedrawnCap>;
  chosen: boolean;
  onChoose: () => void;
}

/** The cap redrawn in one way, over the old one, with its new length; or that it does not go. */
function OneWay({ w, way, drawn, made, chosen, onChoose }: WayProps) {
  const [title, by] = WAY_WORDS[way];
  const mm = (v: number): string => formatLength(v, w.doc.units);
  return (
    <Box>
      <Text fontWeight="600">{title}</Text>
      {made.ok ? (
        <>
          <Over drawn={drawn} redrawn={made.value.piece} w={w} label={title} />
          <Text fontSize="15px">
            {mm(made.value.by)} {by}: {mm(lengthOf(drawn))} becomes {mm(made.value.length)}.
          </Text>
          <Chip on={chosen} onClick={onChoose}>
            Draw it so
          </Chip>
        </>
      ) : (
        <Text fontSize="15px">Its cap does not get as long as that in this way.</Text>
      )}
    </Box>
  );
}

const nowOf = (w: Workbook, id: string): Piece | undefined => w.computed.shell.find((p) => p.id === id);
const lengthOf = (p: Piece | undefined): number => (p ? pathLength(capPath(p)) : 0);

/** The new cap over the old one. */
function Over({ drawn, redrawn, w, label }: { drawn: Piece; redrawn: Piece; w: Workbook; label: string }) {
  const [old, now] = [capPath(drawn), capPath(redrawn)];
  const box = joinBoxes(boxOf(old), boxOf(now));
  return (
    <Frame box={box} height={150} units={w.doc.units} label={`${label}: the new cap over the old one`}>
      {(unit) => (
        <>
          <path d={pathData(old)} fill="none" stroke="var(--chakra-colors-quiet)" strokeWidth={1.4 * unit} />
          <path d={pathData(now)} fill="none" stroke="var(--chakra-colors-berry)" strokeWidth={2.4 * unit} />
        </>
      )}
    </Frame>
  );
}
