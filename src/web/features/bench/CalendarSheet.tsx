import { Text } from '@chakra-ui/react';
import { useEffect } from 'react';
import { usePartNames } from '../../data/usePartNames.ts';
import { usePlan } from '../../data/usePlan.ts';
import { type Workbook } from '../../data/useProject.ts';
import { PrintSheet } from '../../ui/PrintSheet.tsx';
import { spanWords } from '../../words/index.ts';
import { Sittings } from './Sittings.tsx';
import { useCalendar } from './useCalendar.ts';

/** The sittings as a sheet to pin to the wall. */
export function CalendarSheet({ w }: { w: Workbook }) {
  const { plan } = usePlan(w);
  const names = usePartNames(plan, w);
  const { data } = useCalendar(w, null);
  useEffect(() => {
    document.title = `${w.doc.name}, sittings · Woodbine`;
  }, [w.doc.name]);
  return (
    <PrintSheet back="Back to the calendar" to=".." title={`${w.doc.name}: when`}>
      {plan?.ok && data ? (
        <>
          <Text color="quiet" mb="4">
            What is left takes {spanWords(data.left)}.
          </Text>
          <Sittings p={{ w, plan: plan.value, names }} c={data} />
        </>
      ) : (
        <Text color="quiet">{plan && !plan.ok ? 'There is no order of making yet.' : 'Laying out the hours …'}</Text>
      )}
    </PrintSheet>
  );
}
