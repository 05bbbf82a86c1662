import { Box, Button, Flex, Spinner, Text } from '@chakra-ui/react';
import { FileUp } from 'lucide-react';
import { type DragEvent, useRef, useState } from 'react';
import { api, Refusal } from '../api/client.ts';
import { type Workbook } from '../api/useProject.ts';
import { Ask } from './Ask.tsx';
import { SheetBox } from './Page.tsx';

type Lines = 'seam' | 'cut';

/** Where the pattern comes in: by dropping or choosing a file; what is wrong with it is said here, piece by piece. */
export function DropFile({ w, onDone }: { w: Workbook; onDone: (notes: string[]) => void }) {
  const [lines, setLines] = useState<Lines>('seam');
  const [waiting, setWaiting] = useState<File | null>(null);
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState<Refusal | null>(null);
  const [over, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File | undefined, unit = '') => {
    if (!file) return;
    setBusy(true);
    setRefused(null);
    try {
      const answer = await api.shell(w.id, file, lines, unit);
      setWaiting(null);
      await w.reload();
      onDone(answer.findings.map((f) => f.message));
    } catch (e) {
      if (e instanceof Refusal) setRefused(e);
      setWaiting(file);
    } finally {
      setBusy(false);
    }
  };
  const drop = (e: DragEvent) => {
    e.preventDefault();
    setOver(false);
    void take(e.dataTransfer.files[0]);
  };
  return (
    <>
      <Ask
        question="The lines drawn in the file are"
        value={lines}
        answers={[
          ['seam', 'seam lines (net)'],
          ['cut', 'cut lines (allowance included)'],
        ]}
        onAnswer={setLines}
      />
      <SheetBox
        borderStyle="dashed"
        borderColor={over ? 'leaf.solid' : 'rule'}
        bg={over ? 'leaf.subtle' : 'sheet'}
        textAlign="center"
        py="12"
        onDragOver={(e: DragEvent) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
      >
        <Flex direction="column" align="center" gap="3">
          {busy ? <Spinner color="leaf.solid" /> : <FileUp size={34} aria-hidden />}
          <Text fontSize="20px">{busy ? 'Reading the drawing …' : 'Drop the pattern here'}</Text>
          <Button colorPalette="leaf" minH="44px" disabled={busy} onClick={() => input.current?.click()}>
            Choose a file
          </Button>
          <input
            ref={input}
            type="file"
            accept=".svg,.dxf,image/svg+xml"
            aria-label="Pattern file"
            style={{ display: 'none' }}
            onChange={(e) => {
              void take(e.target.files?.[0]);
              e.target.value = '';
            }}
          />
          <Text color="quiet">SVG or DXF, drawn at full size. It never leaves this machine.</Text>
        </Flex>
      </SheetBox>
      {refused && <WhatIsWrong refused={refused} file={waiting} onUnit={(u) => void take(waiting ?? undefined, u)} />}
    </>
  );
}

function WhatIsWrong({
  refused,
  file,
  onUnit,
}: {
  refused: Refusal;
  file: File | null;
  onUnit: (unit: string) => void;
}) {
  const problems = refused.problem.problems ?? [{ code: '', message: refused.problem.detail }];
  const asksUnit = problems.some((p) => p.code === 'no-units');
  return (
    <SheetBox role="alert" borderColor="berry">
      <Text fontWeight="650" mb="2">
        {file ? `"${file.name}" could not be used. Nothing was changed.` : 'That did not work. Nothing was changed.'}
      </Text>
      <Box as="ul" pl="5">
        {problems.map((p, i) => (
          <li key={i}>{p.message}</li>
        ))}
      </Box>
      {asksUnit && (
        <Flex gap="2" mt="3" align="center" wrap="wrap">
          <Text>One unit is one</Text>
          {['mm', 'cm', 'in', 'px'].map((u) => (
            <Button key={u} size="sm" variant="outline" borderColor="rule" onClick={() => onUnit(u)}>
              {u}
            </Button>
          ))}
        </Flex>
      )}
    </SheetBox>
  );
}
