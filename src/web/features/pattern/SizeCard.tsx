import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { type Shell } from '../../../core/document/project.ts';
import { factorFor, measuresOf, scaledShell, UNIT_SLIPS, type UnitSlip } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Pick } from '../../ui/Ask.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { MEASURE_WORDS, SLIP_WORDS, timesWords } from '../../words/index.ts';

/** A project's shell as a whole is never larger than this, mm: what is typed by mistake is asked again. */
const MOST = 20_000;

/** The pattern's measures as it was read, to be compared with its printed table; one true length makes the rest true. */
export function SizeCard({ w, shell }: { w: Workbook; shell: Shell }) {
  const measures = useMemo(() => measuresOf(w.computed.shell), [w.computed.shell]);
  const [again, setAgain] = useState(false);
  const open = !shell.trueSize || again;
  const put = (label: string, next: Shell, tell = false) => {
    setAgain(false);
    w.save(label, { ...w.doc, shell: next }, tell);
  };
  const rescale = (factor: number, slip: UnitSlip | null) =>
    put(
      `Size: all lengths ${timesWords(factor)}${slip ? `, ${SLIP_WORDS[slip]}` : ''}`,
      scaledShell(shell, factor),
      true,
    );
  const took = (read: number, said: number) => {
    const found = factorFor(read, said);
    if (found) rescale(found.factor, found.slip);
  };
  if (!measures.length) return null;
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="1">
        {open ? 'Is this its true size?' : 'Its measures'}
      </Heading>
      <Text color="quiet" mb="3">
        As drawn, on the seam lines, with the overlap of the front.{' '}
        {open && 'Compare one with the table or the tape; type its true length, and everything follows.'}
      </Text>
      <Box display="grid" gridTemplateColumns="repeat(auto-fill, minmax(132px, 1fr))" gap="2" mb="3" alignItems="end">
        {measures.map((m) => (
          <Box key={m.code}>
            <Text fontSize="15px">{MEASURE_WORDS[m.code]}</Text>
            {open ? (
              <LengthField
                label={`True length: ${MEASURE_WORDS[m.code]}`}
                value={m.mm}
                units={w.doc.units}
                least={1}
                most={MOST}
                onValue={(said) => took(m.mm, said)}
              />
            ) : (
              <Text fontWeight="600">{formatLength(m.mm, w.doc.units)}</Text>
            )}
          </Box>
        ))}
      </Box>
      <Flex gap="3" align="center" wrap="wrap">
        {open ? (
          <>
            <Button
              size="sm"
              bg="leaf.solid"
              color="leaf.contrast"
              onClick={() => put('Size is true', { ...shell, trueSize: true })}
            >
              Yes, it is so
            </Button>
            <Box w="19em" maxW="100%">
              <Pick<UnitSlip | ''>
                label="Another unit was meant"
                value=""
                options={[
                  ['', 'Another unit was meant …'],
                  ...UNIT_SLIPS.map(({ code }): [UnitSlip, string] => [code, SLIP_WORDS[code]]),
                ]}
                onPick={(code) => {
                  const slip = UNIT_SLIPS.find((u) => u.code === code);
                  if (slip) rescale(slip.factor, slip.code);
                }}
              />
            </Box>
          </>
        ) : (
          <Button size="sm" variant="outline" borderColor="rule" onClick={() => setAgain(true)}>
            It is not so
          </Button>
        )}
      </Flex>
    </SheetBox>
  );
}
