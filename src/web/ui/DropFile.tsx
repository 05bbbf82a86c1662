import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { FileUp } from 'lucide-react';
import { type DragEvent, useEffect, useRef, useState } from 'react';
import { api, type FileChoices, type LookAnswer, Refusal } from '../data/client.ts';
import { type Workbook } from '../data/useProject.ts';
import { Ask } from './Ask.tsx';
import { PATTERN_FILES } from './FilePick.tsx';
import { SheetBox } from './Page.tsx';
import { PdfChoice } from './PdfChoice.tsx';
import { Reading } from './Reading.tsx';
import { TracePhoto } from './TracePhoto.tsx';

type Lines = 'seam' | 'cut';

/** Where the pattern comes in: by dropping or choosing a file; what is wrong with it is said here, piece by piece. */
export function DropFile({
  w,
  first = null,
  onDone,
}: {
  w: Workbook;
  /** A file that came along: it is put in at once. */
  first?: File | null;
  onDone: (notes: string[]) => void;
}) {
  const [lines, setLines] = useState<Lines>('seam');
  const [waiting, setWaiting] = useState<File | null>(null);
  const [seen, setSeen] = useState<LookAnswer | null>(null);
  const [busy, setBusy] = useState<Busy | null>(null);
  const [photo, setPhoto] = useState<File | null>(null);
  const [refused, setRefused] = useState<Refusal | null>(null);
  const during = async (words: string, work: (job: string) => Promise<void>): Promise<void> => {
    // Not every address a workbook is opened from lets the browser make ids.
    const job = crypto.randomUUID?.() ?? `j${Date.now().toString(36)}`;
    setBusy({ words, job });
    setRefused(null);
    try {
      await work(job);
    } catch (e) {
      if (e instanceof Refusal) setRefused(e);
      else throw e;
    } finally {
      setBusy(null);
    }
  };
  const take = (file: File, choices: FileChoices = {}) =>
    during('Reading the drawing …', async (job) => {
      setWaiting(file);
      const answer = await w.beside(() => api.shell(w.id, w.revision, file, lines, { ...choices, job }));
      setWaiting(null);
      setSeen(null);
      onDone(answer.findings.map((f) => f.message));
    });
  const look = (file: File, choices: FileChoices = {}) =>
    during('Laying the pages together …', async (job) => {
      setWaiting(file);
      setSeen(await api.look(file, { ...choices, job }));
    });
  const put = (file: File | undefined) => {
    if (!file) return;
    setSeen(null);
    setPhoto(null);
    if (/^image\/(png|jpe?g|webp)/.test(file.type)) {
      setRefused(null);
      setPhoto(file);
      return;
    }
    void (/\.pdf$/i.test(file.name) || file.type === 'application/pdf' ? look(file) : take(file));
  };
  const came = useRef(first);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a file comes along once.
  useEffect(() => {
    const file = came.current;
    came.current = null;
    if (file) put(file);
  }, []);
  if (photo)
    return (
      <>
        <Button size="sm" variant="outline" borderColor="rule" mb="3" onClick={() => setPhoto(null)}>
          Another file instead
        </Button>
        <TracePhoto w={w} file={photo} onDone={onDone} />
      </>
    );
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
      <DropBox busy={busy} onFile={put} />
      {refused && (
        <WhatIsWrong refused={refused} file={waiting} onUnit={(unit) => waiting && void take(waiting, { unit })} />
      )}
      {seen && waiting && !busy && (
        <PdfChoice
          seen={seen}
          units={w.doc.units}
          onLook={(said) => void look(waiting, said)}
          onTake={(choices) => void take(waiting, choices)}
        />
      )}
    </>
  );
}

/** What is being done, and under which name. */
interface Busy {
  words: string;
  job: string;
}

function DropBox({ busy, onFile }: { busy: Busy | null; onFile: (file: File | undefined) => void }) {
  const [over, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  return (
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
      onDrop={(e: DragEvent) => {
        e.preventDefault();
        setOver(false);
        if (!busy) onFile(e.dataTransfer.files[0]);
      }}
    >
      <Flex direction="column" align="center" gap="3">
        {busy ? (
          <Reading job={busy.job} words={busy.words} />
        ) : (
          <>
            <FileUp size={34} aria-hidden />
            <Text fontSize="20px">Drop the pattern here</Text>
            <Button colorPalette="leaf" minH="44px" onClick={() => input.current?.click()}>
              Choose a file
            </Button>
          </>
        )}
        <input
          ref={input}
          type="file"
          accept={PATTERN_FILES}
          aria-label="Pattern file"
          style={{ display: 'none' }}
          onChange={(e) => {
            onFile(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
        <Text color="quiet">
          SVG, DXF, a PDF to print and tape together, or a photo or scan of a paper piece. It never leaves this machine.
        </Text>
      </Flex>
    </SheetBox>
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
  if (problems.some((p) => p.code === 'reading-stopped'))
    return (
      <SheetBox role="status">
        <Text>You stopped the reading. Nothing was changed.</Text>
      </SheetBox>
    );
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
