import { useEffect, useMemo, useRef, useState } from 'react';
import { taskOf } from '../../core/document/compute.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { type Plan, type Rival, type Topic } from '../../core/plan/index.ts';
import { type Result, refuse, stop } from '../../core/result.ts';
import { type Answered, type Asked } from '../workers/plan.ts';
import { BESIDE, onlyBeside } from './beside.ts';
import { type Workbook } from './useProject.ts';

/** Answers what was asked last; what it had not answered yet is forgotten. */
function useAside(asked: Omit<Asked, 'id'> | null): { answer: Answered | null; behind: boolean } {
  const worker = useRef<Worker | null>(null);
  const count = useRef(0);
  const [got, setGot] = useState<{ answer: Answered; of: unknown } | null>(null);
  useEffect(() => {
    if (!asked) return;
    worker.current ??= new Worker(new URL('../workers/plan.ts', import.meta.url), { type: 'module', name: 'plan' });
    const id = ++count.current;
    worker.current.onmessage = ({ data }: MessageEvent<Answered>) => {
      if (data.id === id) setGot({ answer: data, of: asked });
    };
    worker.current.onerror = () => {
      worker.current?.terminate();
      worker.current = null;
      setGot({ answer: { id, plan: refuse(stop('part-failed', undefined, { part: 'plan' })), rivals: [] }, of: asked });
    };
    worker.current.postMessage({ ...asked, id });
  }, [asked]);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = null;
    },
    [],
  );
  return { answer: got?.answer ?? null, behind: asked !== null && got?.of !== asked };
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The plan, each step and list of it that says the same as before being the one from before: what shows it knows it by that. */
function steady(before: Result<Plan> | null, now: Result<Plan> | null): Result<Plan> | null {
  if (!before?.ok || !now?.ok) return now;
  const known = new Map(before.value.steps.map((s) => [s.id, s]));
  const kept = now.value.steps.map((s) => {
    const old = known.get(s.id);
    return old && same(old, s) ? old : s;
  });
  const all = kept.length === known.size && kept.every((s, i) => s === before.value.steps[i]);
  const { steps, findings } = before.value;
  const told = same(findings, now.value.findings) ? findings : now.value.findings;
  return { ...now, value: { ...now.value, steps: all ? steps : kept, findings: told } };
}

/** The making-up plan of the project as it stands; until it is worked out the one before stands. */
export function usePlan(w: Workbook): { plan: Result<Plan> | null; behind: boolean } {
  const { doc, computed } = w;
  const last = useRef<{ doc: ProjectDocument; asked: Omit<Asked, 'id'> | null } | null>(null);
  const asked = useMemo(() => {
    if (last.current && onlyBeside(last.current.doc, doc)) return last.current.asked;
    const making = { ...doc.decisions.making, ...BESIDE };
    const next = computed.shell.length ? { task: taskOf(doc, computed), choices: making, topic: null } : null;
    last.current = { doc, asked: next };
    return next;
  }, [doc, computed]);
  const { answer, behind } = useAside(asked);
  const got = asked ? (answer?.plan ?? null) : null;
  const shown = useRef<{ of: Result<Plan> | null; plan: Result<Plan> | null }>({ of: null, plan: null });
  if (shown.current.of !== got) shown.current = { of: got, plan: steady(shown.current.plan, got) };
  return { plan: shown.current.plan, behind };
}

/** The methods of a topic beside each other; null until worked out. */
export function useRivals(w: Workbook, topic: Topic): Rival[] | null {
  const { doc, computed } = w;
  const asked = useMemo(
    () => ({ task: taskOf(doc, computed), choices: doc.decisions.making, topic }),
    [doc, computed, topic],
  );
  const { answer, behind } = useAside(asked);
  return behind ? null : (answer?.rivals ?? null);
}
