import { Box, Button, Flex, Input, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { sentenceOf } from '../../../contract/findings.ts';
import { judge } from '../../../core/bench/index.ts';
import { type PlanStep } from '../../../core/plan/index.ts';
import { formatLength, type LengthUnit, parseLength } from '../../../core/units.ts';
import { instantNow, newId } from '../../data/benchlog.ts';
import { judgedWords } from '../../words/index.ts';
import { crossingsOf, keep, type Sewing, titleOf } from './sewing.ts';

/** How what was measured may be typed: by what the step has planned, or two lengths of its order. */
function example({ data: { a = 412, b = a - 3 } }: PlanStep, units: LengthUnit): string {
  return `${formatLength(a, units)} and ${formatLength(b > 0 ? b : a, units)}`;
}

/** Lengths as they were measured, "412 and 409": what their difference means here, and what to do. */
export function Measuring({ p, step }: { p: Sewing; step: PlanStep }) {
  const { units } = p.w.doc;
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const mine = p.w.doc.decisions.bench.measured.filter((m) => m.step === step.id);
  const take = (): void => {
    const parts = text.split(/\s*(?:and|on|;|,(?=\s)|&)\s*/i).filter((x) => x.trim());
    const read = parts.slice(0, 8).map((x) => parseLength(x, units));
    const bad = read.find((r) => !r.ok);
    if (!read.length || (bad && !bad.ok)) {
      setWrong(
        bad && !bad.ok && bad.findings[0]
          ? sentenceOf(bad.findings[0], units)
          : `Say a length, or two: ${example(step, units)}.`,
      );
      return;
    }
    const values = read.flatMap((r) => (r.ok ? [r.value] : []));
    if (values.some((v) => v <= 0 || v > 5000)) {
      setWrong(`A length at the machine lies between ${formatLength(1, units)} and ${formatLength(5000, units)}.`);
      return;
    }
    setWrong(null);
    setText('');
    const said = values.map((v) => formatLength(v, units)).join(' and ');
    keep(p, `Measured ${said}: ${titleOf(p, step)}`, (log) => ({
      ...log,
      measured: [...log.measured, { id: newId(), step: step.id, at: instantNow(), values }],
    }));
  };
  return (
    <Box my="3" maxW="640px">
      <Flex gap="3" align="center">
        <Input
          aria-label="What you measured"
          placeholder={example(step, units)}
          autoFocus
          h="64px"
          fontSize="26px"
          borderColor="rule"
          value={text}
          aria-invalid={wrong !== null}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && take()}
        />
        <Button h="64px" px="6" fontSize="22px" colorPalette="leaf" onClick={take}>
          Note it
        </Button>
      </Flex>
      {wrong && (
        <Text role="alert" fontSize="20px" color="berry" mt="1">
          {wrong}
        </Text>
      )}
      <Box aria-live="polite">
        {mine.toReversed().map((m) => {
          const { says, does } = judgedWords(judge(step, m.values, crossingsOf(p, step)), m.values, units);
          return (
            <Text key={m.id} fontSize="22px" mt="2">
              <b>{says}</b> {does}
            </Text>
          );
        })}
      </Box>
    </Box>
  );
}
