import { Box, Button, Heading, Text } from '@chakra-ui/react';
import { type Rival, type Topic } from '../../../core/plan/index.ts';
import { formatLength } from '../../../core/units.ts';
import { useRivals } from '../../data/usePlan.ts';
import { methodAsks, methodWords, minutesWords, reasonOf, topicWords } from '../../words/index.ts';
import { type Planning, takeMethods } from './planning.ts';

interface Props {
  p: Planning;
  topic: Topic;
}

/** The ways of making one part side by side, each with what the whole garment then asks. */
export function CompareMethods({ p, topic }: Props) {
  const rivals = useRivals(p.w, topic);
  const title = topicWords(topic);
  return (
    <Box role="region" aria-label={`Compare: ${title}`}>
      <Heading as="h2" fontSize="26px" fontWeight="600" mb="3">
        {title}: the ways side by side
      </Heading>
      {rivals ? <Rivals p={p} topic={topic} rivals={rivals} /> : <Text color="quiet">Planning each of them …</Text>}
      <Text fontSize="14px" color="quiet" mt="2">
        Minutes are an estimate for an unhurried sewist, from the real lengths of the seams, for the whole garment.
      </Text>
    </Box>
  );
}

function Rivals({ p, topic, rivals }: { p: Planning; topic: Topic; rivals: Rival[] }) {
  const { units } = p.w.doc;
  const fit = rivals.filter((r) => !r.reason);
  const rows: [string, (r: Rival) => string][] = [
    ['Whole garment', (r) => minutesWords(r.minutes, 1)],
    ['of it by hand', (r) => minutesWords(r.handMinutes, 1)],
    ['Steps', (r) => String(r.steps)],
    ['Opening left to turn it', (r) => (r.opening ? formatLength(r.opening, units) : 'none')],
    ['Layers at the thickest place', (r) => String(r.bulk)],
    ['Stitching seen outside', (r) => (r.rows ? `${r.rows} row${r.rows > 1 ? 's' : ''}` : 'none')],
    ['Asks for', (r) => methodAsks(topic, r.method)],
    ['Proof', (r) => (r.faults ? `${r.faults} things wrong` : 'holds')],
  ];
  const cell = { padding: '6px 10px', textAlign: 'left', verticalAlign: 'top' } as const;
  return (
    <Box overflowX="auto">
      <table style={{ borderCollapse: 'collapse', width: '100%', fontVariantNumeric: 'tabular-nums' }}>
        <thead>
          <tr>
            <td style={cell} />
            {fit.map((r) => (
              <th key={r.method} scope="col" style={{ ...cell, fontWeight: 650 }}>
                {methodWords(topic, r.method)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([words, say]) => (
            <tr key={words} style={{ borderTop: '1px solid var(--chakra-colors-rule)' }}>
              <th scope="row" style={{ ...cell, fontWeight: 450, minWidth: 200, color: 'var(--chakra-colors-quiet)' }}>
                {words}
              </th>
              {fit.map((r) => (
                <td key={r.method} style={cell}>
                  {say(r)}
                </td>
              ))}
            </tr>
          ))}
          <tr style={{ borderTop: '1px solid var(--chakra-colors-rule)' }}>
            <td style={cell} />
            {fit.map((r) => (
              <td key={r.method} style={cell}>
                {r.chosen ? <Text fontWeight="650">Chosen</Text> : <Take p={p} topic={topic} method={r.method} />}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      {rivals
        .filter((r) => r.reason)
        .map((r) => (
          <Text key={r.method} fontSize="15px" color="quiet">
            Not here: {methodWords(topic, r.method)}; {reasonOf(r.reason ?? '')}.
          </Text>
        ))}
    </Box>
  );
}

function Take({ p, topic, method }: { p: Planning; topic: Topic; method: string }) {
  const words = methodWords(topic, method);
  const { methods } = p.w.doc.decisions.making;
  return (
    <Button
      size="sm"
      variant="outline"
      aria-label={`Make it so: ${words}`}
      onClick={() => takeMethods(p, `${topicWords(topic)}: ${words}`, { ...methods, [topic]: method })}
    >
      Make it so
    </Button>
  );
}
