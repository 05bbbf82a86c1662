import { Text } from '@chakra-ui/react';
import { useEffect } from 'react';
import { type Workbook } from '../../data/useProject.ts';
import { PrintSheet } from '../../ui/PrintSheet.tsx';
import { TrimSheet } from './ReallowCard.tsx';

/** What to trim off a bought pattern before it is cut, as a sheet to print. */
export function TrimPage({ w }: { w: Workbook }) {
  const { name, units } = w.doc;
  const { reallowed } = w.computed;
  useEffect(() => {
    document.title = `${name}, what to trim · Woodbine`;
  }, [name]);
  return (
    <PrintSheet back="Back to the pattern" to=".." title={`${name}: before cutting`}>
      {reallowed.length ? (
        <TrimSheet changes={reallowed} units={units} />
      ) : (
        <Text color="quiet">Every edge is cut with the allowance of the pattern.</Text>
      )}
    </PrintSheet>
  );
}
