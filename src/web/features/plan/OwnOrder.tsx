import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { CircleAlert, Info } from 'lucide-react';
import { sentenceOf } from '../../../contract/findings.ts';
import { type Mend, mendOf } from '../../../core/plan/index.ts';
import { type Finding } from '../../../core/result.ts';
import { AllWell } from '../../ui/Notes.tsx';
import { stepWords, toldOf } from '../../words/index.ts';
import { type Planning } from './planning.ts';

/** The sewist's own order: what it breaks and why, what to move with it, and the way back. */
export function OwnOrder({ p }: { p: Planning }) {
  const { w, plan, set } = p;
  const { left } = w.doc.decisions.making;
  const red = plan.findings.filter((f) => f.severity === 'stop');
  const amber = plan.findings.filter((f) => f.severity === 'warn');
  const broken = [...red, ...amber];
  return (
    <Box role="region" aria-label="Your own order">
      <Flex gap="3" align="center" wrap="wrap" mb="1">
        <Text fontWeight="650" mr="auto">
          Your own order{left.length ? `, ${left.length} left out` : ''}
        </Text>
        <Button size="sm" variant="outline" onClick={() => set('Steps as proposed', { order: null, left: [] })}>
          Back to the proposed order
        </Button>
      </Flex>
      {red.length === 0 && (
        <AllWell
          words={
            amber.length
              ? 'It can be made in this order: looked over like the proposed one. What is usually done otherwise:'
              : 'It works too: looked over like the proposed one.'
          }
        />
      )}
      {broken.length > 0 && (
        <Box as="ul" listStyleType="none" m="0" p="0" aria-live="polite">
          {broken.slice(0, 6).map((f, i) => (
            <Complaint key={`${f.code}${i}`} f={f} p={p} />
          ))}
        </Box>
      )}
      {broken.length > 6 && <Text color="quiet">and {broken.length - 6} more, told at their steps.</Text>}
    </Box>
  );
}

/** One thing the order breaks, why, and the move that mends it. */
export function Complaint({ f, p }: { f: Finding; p: Planning }) {
  const { w, plan, names, set } = p;
  const mend = mendOf(f, plan.steps);
  const title = (id: string): string => {
    const s = [...plan.steps, ...plan.left].find((x) => x.id === id);
    return s ? stepWords(s, w.doc.units, names).title : 'this step';
  };
  const does = (m: Mend): void => {
    const { left } = w.doc.decisions.making;
    if (m.how === 'restore') set('Step brought back', { left: left.filter((x) => x !== m.step) });
    else set('Steps moved together', { order: m.order });
  };
  const label = (m: Mend): string => {
    if (m.how === 'restore') return 'Bring it back';
    const [first, ...rest] = m.with;
    return rest.length
      ? `Move ${m.with.length} steps together, “${title(first ?? '')}” first`
      : `Move “${title(first ?? '')}”`;
  };
  return (
    <Flex as="li" gap="3" align="flex-start" py="2">
      <Box color={f.severity === 'stop' ? 'berry' : 'honey'} flexShrink={0} mt="2px">
        {f.severity === 'stop' ? (
          <CircleAlert size={20} aria-label="To mend" />
        ) : (
          <Info size={20} aria-label="Usually otherwise" />
        )}
      </Box>
      <Box>
        <Text>{sentenceOf(toldOf(f, plan, w.doc.units, names), w.doc.units)}</Text>
        {mend && (
          <Button size="sm" variant="outline" mt="1" onClick={() => does(mend)}>
            {label(mend)}
          </Button>
        )}
      </Box>
    </Flex>
  );
}
