import jsonpatch from 'fast-json-patch';
import { useCallback, useRef, useState } from 'react';
import useSWR from 'swr';
import { type PatchOperation } from '../../contract/index.ts';
import { type Computed } from '../../core/compute.ts';
import { type ProjectDocument } from '../../core/project.ts';
import { api, get, type ProjectAnswer, Refusal } from './client.ts';
import { useComputed } from './useComputed.ts';

export interface Workbook {
  id: string;
  /** The document as it stands on screen: saved, or with the slider still moving. */
  doc: ProjectDocument;
  computed: Computed;
  steps: ProjectAnswer['steps'];
  /** Shows a change without saving it, while a slider moves. */
  preview: (next: ProjectDocument) => void;
  /** Saves a change under a label that history and undo show. */
  save: (label: string, next: ProjectDocument) => void;
  undo: () => void;
  redo: () => void;
  reload: () => Promise<unknown>;
  /** What could not be saved, as a sentence; null when all is well. */
  trouble: string | null;
  calm: () => void;
  saving: boolean;
  /** What is computed is of the state before: a large pattern is still being worked out. */
  behind: boolean;
}

/** Sends a patch; when the project was changed elsewhere meanwhile, puts it on top of the newer state once. */
async function send(id: string, revision: number, label: string, patch: PatchOperation[]): Promise<ProjectAnswer> {
  try {
    return await api.change(id, revision, label, patch);
  } catch (e) {
    const stale = e instanceof Refusal && e.problem.type.endsWith(':stale');
    if (!stale) throw e;
    return api.change(id, Number(e.problem.revision), label, patch);
  }
}

/** One project: loaded, computed as it changes, saved one change after another. */
export function useProject(id: string): { workbook: Workbook | null; error: Error | null } {
  const { data, error, mutate } = useSWR<ProjectAnswer, Error>(`/api/projects/${id}`, get, { revalidateOnFocus: true });
  const [draft, setDraft] = useState<ProjectDocument | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [pending, setPending] = useState(0);
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const waiting = useRef(0);
  const latest = useRef<ProjectAnswer | undefined>(undefined);
  if (pending === 0) latest.current = data;

  const enqueue = useCallback(
    (work: (now: ProjectAnswer) => Promise<ProjectAnswer | null>) => {
      waiting.current += 1;
      setPending(waiting.current);
      queue.current = queue.current.then(async () => {
        try {
          const answer = latest.current && (await work(latest.current));
          if (answer) {
            latest.current = answer;
            await mutate(answer, { revalidate: false });
          }
          setTrouble(null);
        } catch (e) {
          setTrouble((e as Error).message);
          const fresh = await mutate().catch(() => undefined);
          if (fresh) latest.current = fresh;
        } finally {
          waiting.current -= 1;
          setPending(waiting.current);
          if (waiting.current === 0) setDraft(null);
        }
      });
    },
    [mutate],
  );

  const save = useCallback(
    (label: string, next: ProjectDocument) => {
      setDraft(next);
      enqueue(async (now) => {
        const patch = jsonpatch.compare(now.document, next) as PatchOperation[];
        if (!patch.length) return null;
        const answer = await send(id, now.revision, label, patch);
        // The shell's own object is kept where it did not change, so that what depends on it alone stays computed.
        const same = !patch.some((p) => p.path.startsWith('/shell')) && now.document.shell;
        return same && answer.revision === now.revision + 1 ? { ...answer, document: next } : answer;
      });
    },
    [id, enqueue],
  );
  const walk = useCallback(
    (kind: 'undo' | 'redo') => enqueue((now) => api.walk(id, kind, now.revision)),
    [id, enqueue],
  );

  const doc = draft ?? data?.document ?? null;
  const { computed, behind } = useComputed(doc);
  const workbook: Workbook | null =
    doc && computed && data
      ? {
          id,
          doc,
          computed,
          steps: data.steps,
          preview: setDraft,
          save,
          undo: () => walk('undo'),
          redo: () => walk('redo'),
          reload: () => mutate(),
          trouble,
          calm: () => setTrouble(null),
          saving: pending > 0,
          behind,
        }
      : null;
  return { workbook, error: error ?? null };
}
