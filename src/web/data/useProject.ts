import { useEffect, useMemo, useRef, useSyncExternalStore } from 'react';
import { useSWRConfig } from 'swr';
import { type Computed } from '../../core/document/compute.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { addressOf, api, type ProjectAnswer, useAsked } from './client.ts';
import { Keeper, type Kept } from './keeper.ts';
import { listen } from './live.ts';
import { type Contradiction, SewnGuard } from './sewnGuard.ts';
import { unsentIn } from './unsent.ts';
import { useComputed } from './useComputed.ts';
import { useKeeping } from './useKeeping.ts';

export interface Workbook extends Pick<Kept, 'saved' | 'saving' | 'trying' | 'trouble' | 'again' | 'clash' | 'told'> {
  id: string;
  /** What is stored, and what an upload is made on. */
  revision: number;
  /** The document as it stands on screen: saved, or with the slider still moving. */
  doc: ProjectDocument;
  computed: Computed;
  /** The document as it is at this moment, also where what is drawn is still of the state before. */
  now: () => ProjectDocument;
  steps: ProjectAnswer['steps'];
  /** Shows a change without saving it, while a slider moves. */
  preview: (next: ProjectDocument) => void;
  /** A drag that was given up: what was tried is not kept. */
  cancel: () => void;
  /** Saves a change under a label that history and undo show; `tell`: said on screen, with the way back. */
  save: (label: string, next: ProjectDocument, tell?: boolean) => void;
  /** A choice that is not kept yet, since it has otherwise what is sewn: what it is, and what becomes of it. */
  contradicts: Contradiction | null;
  keepIt: () => void;
  leaveIt: () => void;
  undo: () => void;
  redo: () => void;
  /** A change that is made beside, as by an upload: what comes of it is shown when it is kept. */
  beside: Keeper['beside'];
  /** A change that something is fetched for first, as the choices of another project. */
  bring: Keeper['bring'];
  retry: () => void;
  calm: () => void;
  quiet: () => void;
  keepMine: () => void;
  takeTheirs: () => void;
  /** What is computed is of the state before: a large pattern is still being worked out. */
  behind: boolean;
  /** The computation itself stopped, as a sentence; null when all is well. */
  stuck: string | null;
}

const keeping = {
  change: api.change,
  walk: api.walk,
  fetch: api.project,
  at: async (id: string, revision: number) => (await api.at(id, revision)).document,
};
/** A tab is known by this for as long as it stands. */
const UNSENT = unsentIn(localStorage, Math.random().toString(36).slice(2, 8));
const NONE = () => () => undefined;

/** One project: loaded, computed as it changes, saved one change after another. */
export function useProject(id: string): { workbook: Workbook | null; error: Error | null } {
  const { data, error } = useAsked('GET /api/projects/{id}', { id }, { revalidateOnFocus: true });
  const { mutate: everywhere } = useSWRConfig();
  const there = data !== undefined;
  // biome-ignore lint/correctness/useExhaustiveDependencies: made once for a project, from what came first; later states are received.
  const keeper = useMemo(() => (data ? new Keeper(id, data, keeping, UNSENT) : null), [id, there]);
  useEffect(() => void keeper?.resume(), [keeper]);
  const guard = useMemo(() => keeper && new SewnGuard(keeper), [keeper]);
  const contradicts = useSyncExternalStore(guard?.subscribe ?? NONE, () => guard?.snapshot() ?? null);
  useEffect(() => guard?.close, [guard]);
  const kept = useSyncExternalStore(keeper?.subscribe ?? NONE, () => keeper?.snapshot() ?? null);
  useEffect(() => {
    if (data) keeper?.receive(data);
  }, [keeper, data]);
  useEffect(
    () =>
      listen((e) => {
        if (!e) keeper?.lookAgain();
        else if (e.project === id && e.revision !== null) keeper?.hear(e.revision, e.label);
      }),
    [id, keeper],
  );
  // Other screens read the project under the same key: what was stored is put there, where it is newer. Said of what came from there, it
  // would call off the look whether there is something newer.
  const stored = kept?.base;
  const known = data?.revision ?? -1;
  useEffect(() => {
    if (stored && stored.revision > known)
      void everywhere(addressOf('GET /api/projects/{id}', { id }), stored, { revalidate: false });
  }, [stored, known, id, everywhere]);
  useUnsaved(kept);
  useSentAgain(keeper, kept);
  const { computed, behind, stuck } = useComputed(kept?.doc ?? null);
  if (!keeper || !guard || !kept || !computed) return { workbook: null, error: error ?? null };
  const { preview, retry, calm, quiet, keepMine, takeTheirs } = keeper;
  const { base, doc, ...told } = kept;
  const workbook: Workbook = {
    ...told,
    id,
    revision: base.revision,
    doc,
    computed,
    now: () => keeper.snapshot().doc,
    behind,
    stuck,
    steps: base.steps,
    preview,
    cancel: guard.cancel,
    save: guard.save,
    contradicts,
    keepIt: guard.keep,
    leaveIt: guard.leave,
    retry,
    calm,
    quiet,
    keepMine,
    takeTheirs,
    undo: () => {
      guard.flush();
      keeper.walk('undo');
    },
    redo: () => {
      guard.flush();
      keeper.walk('redo');
    },
    beside: (work) => {
      guard.flush();
      return keeper.beside(work);
    },
    bring: (label, fetch) => {
      guard.flush();
      return keeper.bring(label, fetch);
    },
  };
  return { workbook, error: error ?? null };
}

/** The browser asks before the page is left with something on its way that is not stored. */
function useUnsaved(kept: Kept | null): void {
  const open = kept !== null && (kept.saving || kept.again || kept.clash !== null);
  useEffect(() => {
    if (!open) return;
    const ask = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [open]);
}

/** How often what could not be sent is tried again by itself, ms. */
const RETRIES = 10_000;

/** What could not be saved is sent again as soon as there is room. */
function useSentAgain(keeper: Keeper | null, kept: Kept | null): void {
  const { saving, refresh } = useKeeping();
  const waits = kept?.again ?? false;
  useEffect(() => {
    if (waits) void refresh();
  }, [waits, refresh]);
  // As soon as there is a way again, and now and then, since a server of one's own tells nobody that it is back.
  useEffect(() => {
    if (!waits) return;
    const send = (): void => {
      if (!document.hidden) keeper?.retry();
    };
    const every = setInterval(send, RETRIES);
    window.addEventListener('online', send);
    return () => {
      clearInterval(every);
      window.removeEventListener('online', send);
    };
  }, [waits, keeper]);
  const was = useRef(saving);
  useEffect(() => {
    if (waits && was.current !== 'ok' && saving === 'ok') keeper?.retry();
    was.current = saving;
  }, [waits, saving, keeper]);
}
