import { Input } from '@chakra-ui/react';
import MiniSearch from 'minisearch';
import { useMemo, useState } from 'react';
import { type Written } from '../../../core/bench/index.ts';
import { addressOf } from '../../data/client.ts';
import { useNotebook } from '../../data/useNotebook.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Empty, Page } from '../../ui/Page.tsx';
import { SewingTabs } from '../../ui/SewingTabs.tsx';
import { TakeAway } from '../../ui/TakeAway.tsx';
import { ENTRY_WORDS } from '../../words/index.ts';
import { Days } from './Entries.tsx';
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
            <TakeAway
              file={addressOf('GET /api/projects/{id}/export/notebook.zip', { id: w.id })}
              words="Take it away: Markdown with pictures"
            />
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
