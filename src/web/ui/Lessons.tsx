import { Box, Text } from '@chakra-ui/react';
import { lessonsFor } from '../../core/bench/index.ts';
import { useNotebook } from '../data/useNotebook.ts';
import { type Workbook } from '../data/useProject.ts';

interface Props {
  w: Workbook;
  /** At which step, or which seams; none where it is about the whole. */
  step?: string;
  seams?: readonly string[];
  size: string;
}

/** So many are told at a time. */
const TOLD = 3;

/** What was to be told the next time, come back where it matters. */
export function Lessons({ w, step = '', seams = [], size }: Props) {
  const all = useNotebook(w);
  const cloths = w.doc.decisions.cutting.cloths.map((c) => c.name);
  const { garment, shell } = w.doc;
  const here = { project: w.id, garment, pattern: shell?.fileName ?? '', step, seams, cloths };
  const told = lessonsFor(all, here).slice(0, TOLD);
  if (!told.length) return null;
  return (
    <Box as="section" aria-label="From last time" borderLeftWidth="4px" borderColor="leaf.border" pl="4" my="3">
      {told.map(({ entry, name, project }) => (
        <Text key={entry.id} fontSize={size} lineHeight="1.35">
          <b>From last time{project === w.id ? '' : `, ${name}`}:</b> {entry.words}
        </Text>
      ))}
    </Box>
  );
}
