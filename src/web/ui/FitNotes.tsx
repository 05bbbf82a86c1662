import { Box, Text } from '@chakra-ui/react';
import { formatLength } from '../../core/units.ts';
import { useNotebook } from '../data/useNotebook.ts';
import { type Workbook } from '../data/useProject.ts';

/** What was written of the fit, of this garment or to be told again of one of its sort: with what to change on the pattern. */
export function FitNotes({ w }: { w: Workbook }) {
  const { units, garment } = w.doc;
  const notes = useNotebook(w).filter(
    (x) => x.entry.kind === 'fit' && (x.project === w.id || (x.entry.again && x.garment === garment)),
  );
  if (!notes.length) return null;
  return (
    <Box as="section" aria-label="How it fitted" borderLeftWidth="4px" borderColor="leaf.border" pl="4" mb="4">
      {notes.slice(-4).map(({ entry: { id, figures, words }, project, name }) => (
        <Text key={id} mb="1">
          <b>How it fitted{project === w.id ? '' : `, ${name}`}</b>
          {figures.where ? `, ${figures.where}` : ''}: {words}
          {figures.change ? ` Change: ${figures.change}` : ''}
          {typeof figures.by === 'number' ? ` by ${formatLength(figures.by, units)}` : ''}
        </Text>
      ))}
    </Box>
  );
}
