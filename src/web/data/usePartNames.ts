import { useMemo } from 'react';
import { type Plan } from '../../core/plan/index.ts';
import { type Result } from '../../core/result.ts';
import { partNames } from '../words/index.ts';
import { type Workbook } from './useProject.ts';

/** What the pieces of a plan are called: the same object as long as they are called the same. */
export function usePartNames(plan: Result<Plan> | null, w: Workbook): Record<string, string> {
  const pieces = w.computed.pieces;
  const said = useMemo(() => JSON.stringify(plan?.ok ? partNames(plan.value.making, pieces) : {}), [plan, pieces]);
  return useMemo(() => JSON.parse(said), [said]);
}
