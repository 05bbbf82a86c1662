import { Box, Text } from '@chakra-ui/react';
import { judge } from '../../../core/bench/index.ts';
import { formatLength } from '../../../core/units.ts';
import { judgedWords } from '../../words/index.ts';
import { crossingsOf, type Sewing, titleOf } from './sewing.ts';

/** What was measured on the way, each beside the plan's figure. */
export function MeasuredList({ p }: { p: Sewing }) {
  const { bench } = p.w.doc.decisions;
  const { units } = p.w.doc;
  const rows = p.plan.steps.flatMap((s) => bench.measured.filter((m) => m.step === s.id).map((m) => ({ s, m })));
  if (!rows.length) return null;
  return (
    <Box as="details" mb="4">
      <Box as="summary" cursor="pointer" minH="44px" fontWeight="600">
        Measured, against the plan
      </Box>
      {rows.map(({ s, m }) => {
        const planned = [s.data.a, s.data.b].filter((v): v is number => v !== undefined).slice(0, m.values.length);
        return (
          <Text key={m.id} mb="2">
            {s.number}. {titleOf(p, s)}: {judgedWords(judge(s, m.values, crossingsOf(p, s)), m.values, units).says}
            {planned.length > 0 && ` Planned: ${planned.map((v) => formatLength(v, units)).join(' and ')}.`}
          </Text>
        );
      })}
    </Box>
  );
}
