import { useMemo } from 'react';
import { usePartNames } from '../../data/usePartNames.ts';
import { usePlan } from '../../data/usePlan.ts';
import { type Workbook } from '../../data/useProject.ts';
import { idWords, stepWords } from '../../words/index.ts';

/** Steps by their titles, once the plan is there; what is not in it by its id. */
export function useStepTitles(w: Workbook): (step: string) => string {
  const { plan } = usePlan(w);
  const names = usePartNames(plan, w);
  const { units } = w.doc;
  return useMemo(() => {
    const steps = new Map(plan?.ok ? plan.value.steps.map((s) => [s.id, s]) : []);
    return (id) => {
      const s = steps.get(id);
      return s ? stepWords(s, units, names).title : idWords(id);
    };
  }, [plan, names, units]);
}
