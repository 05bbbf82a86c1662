import { Box, Flex, Text } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import {
  bandSums,
  cordSums,
  cuffSums,
  detachableSums,
  elasticSums,
  fallSums,
  pleatSums,
  ribSums,
  type Sum,
  separateBandSums,
  slitSums,
} from '../../../core/plan/index.ts';
import { formatLength, type LengthUnit } from '../../../core/units.ts';
import { Pick } from '../../ui/Ask.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { MARK_WORDS, SUM_WORDS } from '../../words/index.ts';
import { type Planning } from './planning.ts';

interface Ask {
  title: string;
  /** Names and first values of what is asked, mm; a name with # is a plain number. */
  fields: [string, number][];
  sums: (v: number[]) => Sum[];
}

/** Lengths that no pattern piece tells, worked out while making up. */
function asks({ plan }: Planning): Record<string, Ask> {
  const joint = (...codes: string[]): number =>
    plan.making.joints.filter((j) => codes.includes(j.code)).reduce((t, j) => t + j.lengthB, 0);
  const neck = joint('stand-neck') || joint('neckline-front', 'neckline-back', 'neckline-sleeve') || 215;
  const at = (v: number[], i: number): number => v[i] ?? 0;
  return {
    elastic: {
      title: 'Elastic and its casing',
      fields: [
        ['Body measure', 720],
        ['Elastic, wide', 20],
        ['Taken up by seams', 30],
      ],
      sums: (v) => elasticSums(at(v, 0), at(v, 1), at(v, 2)),
    },
    cord: {
      title: 'Cord',
      fields: [
        ['Opening', 900],
        ['Each free end', 150],
        ['Each knot', 40],
      ],
      sums: (v) => cordSums(at(v, 0), at(v, 1), at(v, 2)),
    },
    collar: {
      title: 'Detachable collar from the neck',
      fields: [
        ['Half the neckline', neck],
        ['Width, cut', 75],
        ['Seam', 6],
      ],
      sums: (v) => detachableSums(at(v, 0), at(v, 1), at(v, 2)),
    },
    fall: { title: 'Fall of a collar', fields: [['Stand at centre back', 32]], sums: (v) => fallSums(at(v, 0)) },
    band: {
      title: 'Button band, cut on',
      fields: [
        ['Band, finished', 25],
        ['Turn-under', 12],
      ],
      sums: (v) => bandSums(at(v, 0), at(v, 1)),
    },
    own: {
      title: 'Button band of its own',
      fields: [
        ['Band, finished', 30],
        ['Seam', 10],
      ],
      sums: (v) => separateBandSums(at(v, 0), at(v, 1)),
    },
    slit: {
      title: 'Bound sleeve slit',
      fields: [
        ['Slit', 140],
        ['Binding, finished', 8],
      ],
      sums: (v) => slitSums(at(v, 0), at(v, 1)),
    },
    cuff: { title: 'Cuff', fields: [['Wrist', 165]], sums: (v) => cuffSums(at(v, 0)) },
    pleats: {
      title: 'Pleats',
      fields: [
        ['#How many', 5],
        ['Gap between notches', 38],
      ],
      sums: (v) => pleatSums(at(v, 0), at(v, 1)),
    },
    rib: {
      title: 'Rib',
      fields: [
        ['Edge', 900],
        ['Finished depth', 60],
        ['Seam', 10],
      ],
      sums: (v) => ribSums(at(v, 0), 85, at(v, 1), at(v, 2)),
    },
  };
}

const said = (s: Sum, units: LengthUnit): string =>
  (SUM_WORDS[s.name]?.[1] ?? '')
    .replace(/\{#(\w+)\}/g, (_, k: string) => String(s.reason.inputs[k] ?? 0))
    .replace(/\{(\w+)\}/g, (_, k: string) => formatLength(s.reason.inputs[k] ?? 0, units));

/** Small sums for making up: elastic, cord, bands, a detachable collar. */
export function SmallSums({ p }: { p: Planning }) {
  const all = useMemo(() => asks(p), [p]);
  const [which, setWhich] = useState('elastic');
  return (
    <>
      <Text color="quiet">Elastic, cords, bands, a detachable collar: lengths that no piece of the pattern tells.</Text>
      <Box maxW="340px" py="2">
        <Pick
          label="Which sum"
          value={which}
          options={Object.entries(all).map(([k, a]): [string, string] => [k, a.title])}
          onPick={setWhich}
        />
      </Box>
      <OneSum key={which} ask={all[which] as Ask} units={p.w.doc.units} />
    </>
  );
}

function OneSum({ ask, units }: { ask: Ask; units: LengthUnit }) {
  const [values, setValues] = useState(ask.fields.map(([, v]) => v));
  const put = (i: number, v: number): void => setValues((all) => all.map((x, k) => (k === i ? v : x)));
  return (
    <>
      <Flex gap="5" wrap="wrap" mb="3">
        {ask.fields.map(([name], i) => (
          <Box key={name}>
            <Text fontSize="15px">{name.replace('#', '')}</Text>
            {name.startsWith('#') ? (
              <input
                aria-label={name.slice(1)}
                type="number"
                min={1}
                max={60}
                value={values[i]}
                onChange={(e) => put(i, Math.min(60, Math.max(1, Math.round(Number(e.target.value) || 1))))}
                style={{ width: '5em', minHeight: 36, border: '1px solid var(--chakra-colors-rule)', padding: '0 8px' }}
              />
            ) : (
              <LengthField
                label={name}
                value={values[i] ?? 0}
                units={units}
                least={0}
                most={5000}
                onValue={(v) => put(i, v)}
              />
            )}
          </Box>
        ))}
      </Flex>
      {ask.sums(values).map((s) => (
        <Flex key={s.name} gap="3" align="baseline" wrap="wrap" py="1">
          <Text minW="260px">{SUM_WORDS[s.name]?.[0]}</Text>
          <Text fontWeight="650" minW="80px">
            {formatLength(s.value, units)}
          </Text>
          <Text fontSize="15px" color="quiet">
            {said(s, units)} ({MARK_WORDS[s.reason.mark]})
          </Text>
        </Flex>
      ))}
    </>
  );
}
