import { useMemo } from 'react';
import { usePartNames } from '../../data/usePartNames.ts';
import { usePlan } from '../../data/usePlan.ts';
import { type Workbook } from '../../data/useProject.ts';
import { stepNames } from '../../words/index.ts';

/** Steps by their titles, once the plan is there; what is not in it by its id. */
export function useStepTitles(w: Workbook): (step: string) => string {
  const { plan } = usePlan(w);
  const names = usePartNames(plan, w);
  const { units } = w.doc;
  return useMemo(() => stepNames(plan?.ok ? plan.value : null, units, names), [plan, names, units]);
}
