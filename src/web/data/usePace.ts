import { useMemo } from 'react';
import { type Pace, paceOf } from '../../core/bench/index.ts';
import { useAsked } from './client.ts';
import { useAgain } from './useAgain.ts';
import { type Workbook } from './useProject.ts';

/** The sewist's pace, of all that she timed in any project; the handbook's until it is there. */
export function usePace(w: Workbook): Pace {
  const { data, mutate } = useAsked('GET /api/pace', {});
  const { steps } = w.doc.decisions.bench;
  const timed = useMemo(() => steps.filter((s) => s.minutes !== null).length, [steps]);
  useAgain(timed, () => void mutate());
  return useMemo(() => paceOf(data?.timed ?? []), [data]);
}
