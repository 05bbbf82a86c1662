import { Box, Button, Flex, Input, Text, Textarea } from '@chakra-ui/react';
import { type FormEvent, useState } from 'react';
import { useSearchParams } from 'react-router';
import { ENTRY_KINDS, type EntryKind } from '../../../core/bench/notebook.ts';
import { parseLength } from '../../../core/units.ts';
import { api } from '../../data/client.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Tick } from '../../ui/Ask.tsx';
import { FilePick } from '../../ui/FilePick.tsx';
import { ChoiceBlank, Say } from '../../ui/Sentence.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import { ENTRY_WORDS, SAMPLE_FIELDS, type SampleField } from '../../words/index.ts';
import { aboutOf, abouts } from './about.ts';

/** An entry is written: of what kind, about what, its figures, a picture, and whether it is told again next time. */
export function Write({ w, titleOf }: { w: Workbook; titleOf: (step: string) => string }) {
  // The bench leads here with what is tried just then.
  const [asked] = useSearchParams();
  const [kind, setKind] = useState<EntryKind>(ENTRY_KINDS.find((k) => k === asked.get('kind')) ?? 'note');
  const [about, setAbout] = useState(asked.get('about') ?? '');
  const [words, setWords] = useState('');
  const [texts, setTexts] = useState<Record<string, string>>({});
  const [pictures, setPictures] = useState<File[]>([]);
  const [again, setAgain] = useState(false);
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const fields = SAMPLE_FIELDS[kind];
  const save = async (): Promise<void> => {
    const read = figuresOf(fields, texts, w);
    if ('wrong' in read) return setWrong(read.wrong);
    setBusy(true);
    setWrong(null);
    try {
      const entry = { kind, words, figures: read.figures, again, ...aboutOf(about) };
      const [first, ...more] = pictures;
      await w.beside(() => api.entry(w.id, entry, first));
      for (const picture of more)
        await w.beside(() => api.entry(w.id, { kind, words: '', ...aboutOf(about) }, picture));
      setWords('');
      setTexts({});
      setPictures([]);
      setAgain(false);
    } catch (e) {
      setWrong((e as Error).message);
    } finally {
      setBusy(false);
    }
  };
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    void save();
  };
  return (
    <Box as="form" aria-label="Write an entry" mb="5" onSubmit={submit}>
      <Say>
        <ChoiceBlank
          label="What kind of entry"
          value={kind}
          ways={ENTRY_KINDS.map((id) => ({ id, words: ENTRY_WORDS[id] }))}
          onPick={setKind}
        />{' '}
        about <ChoiceBlank label="What it is about" value={about} ways={abouts(w, titleOf, about)} onPick={setAbout} />.
      </Say>
      <Form fields={fields} texts={texts} onText={(key, text) => setTexts({ ...texts, [key]: text })} />
      <Textarea
        aria-label="What happened"
        placeholder="What happened, what did you learn?"
        rows={4}
        maxLength={8000}
        bg="sheet"
        borderColor="rule"
        fontSize="17px"
        value={words}
        onChange={(e) => setWords(e.target.value)}
      />
      <Pictures pictures={pictures} onPictures={setPictures} />
      <Tick label="Tell me next time" checked={again} onTick={setAgain} />
      {wrong && (
        <Text role="alert" color="berry">
          {wrong}
        </Text>
      )}
      <Button
        type="submit"
        colorPalette="leaf"
        minH="48px"
        disabled={busy || (!words.trim() && !pictures.length && !Object.values(texts).some((t) => t.trim()))}
      >
        {busy ? 'Keeping it …' : 'Write it down'}
      </Button>
    </Box>
  );
}

interface FormProps {
  fields: readonly SampleField[];
  texts: Record<string, string>;
  onText: (key: string, text: string) => void;
}

/** What the form of a sample asks. */
const Form = ({ fields, texts, onText }: FormProps) =>
  fields.map((f) => (
    <Flex as="label" key={f.key} align="center" gap="3" mb="2">
      <Text flex="1">{f.unit && f.unit !== 's' ? `${f.words}, ${f.unit}` : f.words}</Text>
      <Input
        w="52%"
        h="44px"
        bg="sheet"
        borderColor="rule"
        maxLength={190}
        inputMode={f.as === 'number' ? 'decimal' : 'text'}
        value={texts[f.key] ?? ''}
        onChange={(e) => onText(f.key, e.target.value)}
      />
    </Flex>
  ));

/** Pictures to go with it. */
const Pictures = ({ pictures, onPictures }: { pictures: File[]; onPictures: (p: File[]) => void }) => (
  <>
    <FilePick
      words={pictures.length ? 'Add another picture' : 'Add a picture'}
      accept="image/jpeg,image/png,image/webp"
      onPick={(f) => f && onPictures([...pictures, f])}
    />
    {pictures.length > 0 && (
      <Text fontSize="15px" color="quiet">
        {pictures.map((p) => p.name).join(', ')}: kept as they are, without where they were taken.{' '}
        <WordButton fontSize="15px" textDecoration="underline" onClick={() => onPictures([])}>
          Leave them out
        </WordButton>
      </Text>
    )}
  </>
);

/** What was typed into a form as figures; or a sentence about the first that is none. */
function figuresOf(
  fields: readonly SampleField[],
  texts: Record<string, string>,
  w: Workbook,
): { figures: Record<string, number | string> } | { wrong: string } {
  const figures: Record<string, number | string> = {};
  for (const f of fields) {
    const text = texts[f.key]?.trim();
    if (!text) continue;
    if (f.as === 'words') figures[f.key] = text;
    else {
      const read = f.as === 'length' ? parseLength(text, w.doc.units) : null;
      const v = read ? (read.ok ? read.value : Number.NaN) : Number(text.replace(',', '.').replace(/[^\d.+-].*$/, ''));
      if (!Number.isFinite(v))
        return { wrong: `${f.words}: “${text}” is no ${f.as === 'length' ? 'length' : 'number'}.` };
      figures[f.key] = v;
    }
  }
  return { figures };
}
