import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { Link } from 'react-router';
import { type Written } from '../../../core/bench/index.ts';
import { type Entry } from '../../../core/bench/notebook.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { FigureRow } from '../../ui/FigureRow.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { PictureRow } from '../../ui/PictureRow.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import {
  type AboutNames,
  aboutNames,
  aboutWords,
  ENTRY_WORDS,
  idWords,
  SAMPLE_FIELDS,
  sampleValue,
  shrunk,
} from '../../words/index.ts';

const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' });
const dayOf = (e: Entry): string => DAY.format(new Date(e.at));

type TitleOf = (step: string) => string;

/** Entries under their days. */
export function Days({ w, entries, titleOf }: { w: Workbook; entries: Written[]; titleOf: TitleOf }) {
  return entries.map((x, i) => {
    const before = entries[i - 1];
    return (
      <Box key={x.entry.id}>
        {(!before || dayOf(before.entry) !== dayOf(x.entry)) && (
          <Heading as="h2" fontSize="20px" fontWeight="600" mt={i ? 5 : 0} mb="2">
            {dayOf(x.entry)}
          </Heading>
        )}
        <OneEntry w={w} x={x} titleOf={titleOf} />
      </Box>
    );
  });
}

function OneEntry({ w, x, titleOf }: { w: Workbook; x: Written; titleOf: TitleOf }) {
  const { entry } = x;
  const mine = x.project === w.id;
  const about = aboutWords(entry, mine ? aboutNames(w.computed, titleOf) : BY_IDS);
  const set = (words: string, next: (e: Entry) => Entry | null, told = false): void => {
    const list = w.doc.decisions.notebook.flatMap((e) => (e.id === entry.id ? (next(e) ?? []) : [e]));
    w.save(words, { ...w.doc, decisions: { ...w.doc.decisions, notebook: list } }, told);
  };
  return (
    <SheetBox as="article" mb="3" style={{ breakInside: 'avoid' }}>
      <Text fontSize="15px" color="quiet">
        {ENTRY_WORDS[entry.kind]}
        {about.length > 0 && ` · ${about.join(' · ')}`}
        {!mine && (
          <>
            {' · '}
            <Link to={`/project/${x.project}/sewing/notebook`} style={{ textDecoration: 'underline' }}>
              {x.name}
            </Link>
          </>
        )}
        {entry.again && ' · told again next time'}
      </Text>
      {entry.words && (
        <Text fontSize="18px" whiteSpace="pre-wrap">
          {entry.words}
        </Text>
      )}
      <FigureRow figures={figuresOf(entry, w)} size="small" />
      <PictureRow
        project={x.project}
        files={entry.pictures}
        words={entry.words.slice(0, 80) || ENTRY_WORDS[entry.kind]}
      />
      {mine && (
        <Flex gap="5" wrap="wrap" mt="2" css={{ '@media print': { display: 'none' } }}>
          <WordButton
            textDecoration="underline"
            minH="44px"
            onClick={() =>
              set(entry.again ? 'Not told again' : 'Told again next time', (e) => ({ ...e, again: !e.again }))
            }
          >
            {entry.again ? 'No need to tell it again' : 'Tell me next time'}
          </WordButton>
          <ToCloth w={w} entry={entry} />
          <WordButton color="berry" minH="44px" onClick={() => set('Taken out of the notebook', () => null, true)}>
            Take it out
          </WordButton>
        </Flex>
      )}
    </SheetBox>
  );
}

const BY_IDS: AboutNames = { step: idWords, piece: idWords, seam: idWords };

/** What the form of a sample asked, as it was answered. */
const figuresOf = ({ kind, figures }: Entry, w: Workbook): { value: string; words: string }[] =>
  SAMPLE_FIELDS[kind].flatMap((f) => {
    const v = figures[f.key];
    return v === undefined || v === '' ? [] : [{ value: sampleValue(f, v, w.doc.units), words: f.words }];
  });

/** What a test found of the shrinking goes to the cloth it was made of. */
function ToCloth({ w, entry }: { w: Workbook; entry: Entry }) {
  const by = entry.kind === 'shrinkage' ? shrunk(entry.figures) : null;
  const { cutting } = w.doc.decisions;
  const cloth = cutting.cloths.find((c) => c.name === entry.cloth) ?? (entry.cloth ? undefined : cutting.cloths[0]);
  if (!by || !cloth) return null;
  const said = `${by.along.toFixed(1)} % along, ${by.across.toFixed(1)} % across`;
  const same = Math.abs(cloth.shrinks.along - by.along) < 0.05 && Math.abs(cloth.shrinks.across - by.across) < 0.05;
  if (same)
    return (
      <Text color="quiet">
        {cloth.name} is cut by it: {said}.
      </Text>
    );
  const take = (): void => {
    const round = (v: number): number => Math.min(20, Math.round(v * 10) / 10);
    const cloths = cutting.cloths.map((c) =>
      c === cloth ? { ...c, shrinks: { along: round(by.along), across: round(by.across) } } : c,
    );
    setDecision(w, 'cutting', { cloths }, { words: `${cloth.name} shrinks ${said}`, told: true });
  };
  return (
    <WordButton color="leaf.fg" textDecoration="underline" minH="44px" onClick={take}>
      {cloth.name} shrinks by it: {said}
    </WordButton>
  );
}
