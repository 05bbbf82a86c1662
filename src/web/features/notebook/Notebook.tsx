import { Box, Button, Flex, Heading, Image, Input, Text } from '@chakra-ui/react';
import MiniSearch from 'minisearch';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Written } from '../../../core/bench/index.ts';
import { type Entry } from '../../../core/bench/notebook.ts';
import { addressOf } from '../../data/client.ts';
import { setDecision } from '../../data/setDecision.ts';
import { useNotebook } from '../../data/useNotebook.ts';
import { type Workbook } from '../../data/useProject.ts';
import { FigureRow } from '../../ui/FigureRow.tsx';
import { Empty, Page, SheetBox } from '../../ui/Page.tsx';
import { SewingTabs } from '../../ui/SewingTabs.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import { ENTRY_WORDS, SAMPLE_FIELDS, sampleValue, shrunk } from '../../words/index.ts';
import { stepTitle } from './about.ts';
import { useStepTitles } from './useStepTitles.ts';
import { Write } from './Write.tsx';

/** What happened, and what was learnt: entries by their days, searched over all projects, and a place to write. */
export function Notebook({ w }: { w: Workbook }) {
  const all = useNotebook(w);
  const [asked, setAsked] = useState('');
  const shown = useFound(all, asked, w.id);
  const titleOf = useStepTitles(w);
  const own = w.doc.decisions.notebook.length;
  return (
    <Page
      question="What happened, what did I learn?"
      lead={
        own
          ? `${own} ${own === 1 ? 'entry' : 'entries'} of ${w.doc.name}.`
          : 'Samples, slips and what to do otherwise next time.'
      }
      side={
        <>
          <SewingTabs id={w.id} at="notebook" />
          <Write w={w} titleOf={titleOf} />
          {own > 0 && (
            <Button asChild variant="outline" borderColor="rule" minH="44px">
              <a href={addressOf('GET /api/projects/{id}/export/notebook.zip', { id: w.id })} download>
                Take it away: Markdown with pictures
              </a>
            </Button>
          )}
        </>
      }
    >
      <Input
        type="search"
        aria-label="Search all notebooks"
        placeholder="Search all notebooks"
        h="48px"
        mb="4"
        borderColor="rule"
        value={asked}
        onChange={(e) => setAsked(e.target.value)}
        css={{ '@media print': { display: 'none' } }}
      />
      {shown.length ? (
        <Days w={w} entries={shown} titleOf={titleOf} />
      ) : (
        <Empty title={asked ? 'Nothing of the kind is written anywhere' : 'Nothing is written yet'}>
          {asked
            ? 'Other words may find it.'
            : 'A fusing test with its heat and seconds, a buttonhole that held, a slip and its mend: written here they come back when they are wanted.'}
        </Empty>
      )}
    </Page>
  );
}

/** This project's entries, newest first; what is asked for is looked for in all of them, by its words and figures. */
function useFound(all: Written[], asked: string, project: string): Written[] {
  const index = useMemo(() => {
    const search = new MiniSearch<{ id: string; text: string }>({
      fields: ['text'],
      searchOptions: { prefix: true, fuzzy: 0.15, combineWith: 'AND' },
    });
    search.addAll(all.map((x, i) => ({ id: String(i), text: textOf(x) })));
    return search;
  }, [all]);
  if (asked.trim()) return index.search(asked).flatMap((r) => all[Number(r.id)] ?? []);
  return all.filter((x) => x.project === project).sort((a, b) => (a.entry.at < b.entry.at ? 1 : -1));
}

const textOf = ({ name, entry }: Written): string =>
  [name, ENTRY_WORDS[entry.kind], entry.words, entry.cloth, entry.step, ...Object.values(entry.figures)].join(' ');

const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' });
const dayOf = (e: Entry): string => DAY.format(new Date(e.at));

type TitleOf = (step: string) => string;

function Days({ w, entries, titleOf }: { w: Workbook; entries: Written[]; titleOf: TitleOf }) {
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
  const about = [
    entry.step && (mine ? titleOf : stepTitle)(entry.step),
    entry.piece && pieceOf(w, entry.piece),
    entry.cloth,
  ].filter(Boolean);
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
      {entry.pictures.length > 0 && (
        <Flex gap="3" wrap="wrap" mt="2">
          {entry.pictures.map((file) => {
            const at = addressOf('GET /api/projects/{id}/pictures/{file}', { id: x.project, file });
            return (
              <a key={file} href={at} target="_blank" rel="noreferrer">
                <Image
                  src={`${at}?size=small`}
                  alt={entry.words.slice(0, 80) || ENTRY_WORDS[entry.kind]}
                  h="160px"
                  borderRadius="6px"
                  loading="lazy"
                />
              </a>
            );
          })}
        </Flex>
      )}
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

const pieceOf = (w: Workbook, id: string): string => w.computed.pieces.find((p) => p.id === id)?.name ?? '';

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
