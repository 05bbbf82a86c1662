import { Box, Button, Flex, Table, Text, Textarea } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { lookOver, type PlanStep, type SheetLine, sheetLines } from '../../../core/plan/index.ts';
import { Pick } from '../../ui/Ask.tsx';
import { AllWell, Findings } from '../../ui/Notes.tsx';
import { matcherOf, stepName, stepWords, suggested, toldOf } from '../../words/index.ts';
import { type Planning } from './planning.ts';

/** No step of the plan, as it stands among the steps in a list. */
const NONE = '-';

/** The sewist's own numbered list held against the steps: what it forgets, what it does in another order, whether that holds. */
export function SheetCompare({ p }: { p: Planning }) {
  const { sheet } = p.w.doc.decisions.making;
  return (
    <Box role="region" aria-label="Your own instructions">
      {sheet ? <Compared p={p} sheet={sheet} /> : <Paste p={p} />}
    </Box>
  );
}

function Paste({ p }: { p: Planning }) {
  const [text, setText] = useState('');
  const lines = sheetLines(text);
  return (
    <Box mt="3">
      <Text color="quiet" mb="2">
        Type or paste the steps of your pattern’s sheet, one a line or numbered. Nothing leaves this machine.
      </Text>
      <Textarea
        aria-label="Your instructions"
        rows={8}
        value={text}
        onChange={(e) => setText(e.target.value)}
        bg="paper"
        borderColor="rule"
        placeholder={'1. Interface the facings.\n2. Sew the shoulder seams.'}
      />
      <Button
        mt="2"
        disabled={!lines.length}
        onClick={() => p.set('Own instructions', { sheet: lines.map((l) => ({ text: l, steps: null })) })}
      >
        {lines.length ? `Compare ${lines.length} ${lines.length === 1 ? 'line' : 'lines'}` : 'Compare'}
      </Button>
    </Box>
  );
}

function Compared({ p, sheet }: { p: Planning; sheet: SheetLine[] }) {
  const { plan, w, names, set } = p;
  const likely = useMemo(() => {
    const find = matcherOf(plan, w.doc.units, names);
    return sheet.map((l) => find(l.text));
  }, [plan, w.doc.units, names, sheet]);
  const steps = useMemo(() => sheet.map((l, i) => l.steps ?? suggested(likely[i] ?? [])), [sheet, likely]);
  const say = (line: number, ids: string[] | null): void =>
    set('Own instructions: a line said', { sheet: sheet.map((l, i) => (i === line ? { ...l, steps: ids } : l)) });
  const unsure = sheet.filter((l) => l.steps === null).length;
  return (
    <Box mt="3">
      <Flex gap="3" align="center" wrap="wrap" mb="2">
        <Text mr="auto">
          {unsure
            ? `${unsure} of ${sheet.length} lines are matched by their words only: look at each.`
            : `All ${sheet.length} lines are as you said.`}
        </Text>
        {unsure > 0 && (
          <Button
            size="sm"
            variant="outline"
            onClick={() =>
              set('Own instructions: all as matched', { sheet: sheet.map((l, i) => ({ ...l, steps: steps[i] ?? [] })) })
            }
          >
            They are all right
          </Button>
        )}
        <Button size="sm" variant="ghost" onClick={() => set('Own instructions taken away', { sheet: null })}>
          Take the list away
        </Button>
      </Flex>
      <Table.Root size="sm" mb="4">
        <Table.Body>
          {sheet.map((l, i) => (
            <Table.Row key={`${i}${l.text}`} bg="transparent">
              <Table.Cell verticalAlign="top" width="45%">
                <b>{i + 1}</b> {l.text}
              </Table.Cell>
              <Table.Cell verticalAlign="top">
                <Line p={p} line={l} steps={steps[i] ?? []} onSay={(ids) => say(i, ids)} number={i + 1} />
              </Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
      <Outcome p={p} steps={steps} />
    </Box>
  );
}

interface LineProps {
  p: Planning;
  line: SheetLine;
  number: number;
  steps: string[];
  onSay: (ids: string[] | null) => void;
}

/** The steps a line is: as matched, with a way to say otherwise. */
function Line({ p, line, number, steps, onSay }: LineProps) {
  const { plan, w, names } = p;
  const options = plan.steps.map((s): [string, string] => [
    s.id,
    `${s.number} ${stepWords(s, w.doc.units, names).title}`,
  ]);
  return (
    <Box borderLeftWidth="4px" borderColor={line.steps ? 'leaf.solid' : 'honey'} pl="2">
      {steps.map((id) => (
        <Flex key={id} gap="2" align="center">
          <Text>{options.find(([x]) => x === id)?.[1] ?? 'a step that is not in the plan any more'}</Text>
          <Button
            size="xs"
            variant="ghost"
            onClick={() => onSay(steps.filter((x) => x !== id))}
            aria-label={`Line ${number}: not this step`}
          >
            not this
          </Button>
        </Flex>
      ))}
      {steps.length === 0 && (
        <Text color="quiet">{line.steps ? 'No step of the plan.' : 'Nothing in it was recognised.'}</Text>
      )}
      <Flex gap="2" align="center" mt="1" wrap="wrap">
        <Box width="17em">
          <Pick
            label={`Line ${number} is`}
            value=""
            options={[
              ['', steps.length ? 'and also …' : 'it is …'],
              ...options.filter(([id]) => !steps.includes(id)),
              [NONE, 'no step of the plan'],
            ]}
            onPick={(id) => {
              if (id) onSay(id === NONE ? [] : [...steps, id]);
            }}
          />
        </Box>
        {line.steps === null && steps.length > 0 && (
          <Button size="xs" variant="outline" onClick={() => onSay(steps)} aria-label={`Line ${number}: so it is`}>
            So it is
          </Button>
        )}
      </Flex>
    </Box>
  );
}

function Outcome({ p, steps }: { p: Planning; steps: string[][] }) {
  const { plan, w, names, set } = p;
  const units = w.doc.units;
  const seen = useMemo(() => lookOver(plan, steps), [plan, steps]);
  const needed = seen.forgotten.filter((f) => f.needed).map((f) => f.step);
  const rest = seen.forgotten.filter((f) => !f.needed).map((f) => f.step);
  const red = seen.findings.filter((f) => f.severity === 'stop');
  const list = (title: string, of: PlanStep[]) =>
    of.length > 0 && (
      <Box mb="3">
        <Text fontWeight="600">{title}</Text>
        <Box as="ul" pl="5">
          {of.map((s) => (
            <li key={s.id}>{stepName(s, units, names)}</li>
          ))}
        </Box>
      </Box>
    );
  return (
    <Box aria-live="polite">
      {list('Your sheet does not say, and the garment needs it', needed)}
      {list('Your sheet does not say; usually it is done', rest)}
      {seen.moved.length > 0 && (
        <Box mb="3">
          <Text fontWeight="600">In another order than here</Text>
          <Box as="ul" pl="5">
            {seen.moved.map(({ step, line }) => (
              <li key={step.id}>
                line {line + 1}: {stepName(step, units, names)}
              </li>
            ))}
          </Box>
        </Box>
      )}
      {red.length === 0 && (
        <AllWell words="In the order of your sheet, with what it does not say put where it belongs, the garment can be made." />
      )}
      <Findings
        findings={seen.findings.filter((f) => f.severity !== 'note').map((f) => toldOf(f, plan, units, names))}
        w={w}
      />
      <Button mt="2" variant="outline" onClick={() => set('The order of your sheet', { order: seen.order })}>
        Take this order as mine
      </Button>
    </Box>
  );
}
