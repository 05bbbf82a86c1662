import { Text } from '@chakra-ui/react';
import { useEffect } from 'react';
import { type Workbook } from '../../data/useProject.ts';
import { PrintSheet } from '../../ui/PrintSheet.tsx';
import { Days } from './Entries.tsx';
import { useStepTitles } from './useStepTitles.ts';

/** The notebook of a project on paper, oldest first. */
export function NotebookSheet({ w }: { w: Workbook }) {
  const titleOf = useStepTitles(w);
  const { name, garment, decisions } = w.doc;
  useEffect(() => {
    document.title = `${name}, notebook · Woodbine`;
  }, [name]);
  const entries = [...decisions.notebook]
    .sort((a, b) => (a.at < b.at ? -1 : 1))
    .map((entry) => ({ project: w.id, name, garment, pattern: '', entry }));
  return (
    <PrintSheet back="Back to the notebook" to=".." title={`${name}: notebook`}>
      {entries.length ? (
        <Days w={w} entries={entries} titleOf={titleOf} />
      ) : (
        <Text color="quiet">Nothing is written in it yet.</Text>
      )}
    </PrintSheet>
  );
}
