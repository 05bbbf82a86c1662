import { useEffect, useMemo, useRef, useState } from 'react';
import { type Computed, compute } from '../../core/document/compute.ts';
import { type ProjectDocument, type Shell } from '../../core/document/project.ts';
import { type Task } from '../workers/compute.ts';

const STUCK =
  'Working this out stopped, so what is drawn is of the state before. Change something, or undo the last change, to try again.';

/** Patterns of more pieces are worked out beside the screen: a coat of twenty takes less than a frame, this does not. */
const MANY = 60;

interface Answer {
  id: number;
  computed: Computed;
}

interface Asked {
  doc: ProjectDocument;
  done: (c: Computed) => void;
  failed: (e: Error) => void;
}

/** Asks the worker, one document after another; of those that wait only the newest is asked. */
class Aside {
  private worker: Worker | null = null;
  private count = 0;
  private busy = false;
  private next: Asked | null = null;
  private known: Shell | null | undefined = undefined;

  ask(asked: Asked): void {
    this.next = asked;
    if (!this.busy) this.go();
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
    this.busy = false;
    this.next = null;
    this.known = undefined;
  }

  private go(): void {
    if (!this.next) return;
    const { doc, done, failed } = this.next;
    this.next = null;
    this.busy = true;
    const worker =
      this.worker ?? new Worker(new URL('../workers/compute.ts', import.meta.url), { type: 'module', name: 'compute' });
    this.worker = worker;
    const { shell, ...rest } = doc;
    const task: Task = { id: ++this.count, rest, ...(shell !== this.known && { shell }) };
    this.known = shell;
    worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      if (data.id !== this.count) return;
      this.busy = false;
      done(data.computed);
      this.go();
    };
    // A worker that stopped is done with: the next question gets a new one.
    worker.onerror = (e) => {
      this.close();
      failed(new Error(e.message));
    };
    worker.postMessage(task);
  }
}

/**
 * All consequences of a document. Of a large one they follow a moment later: until then those of the state before stand,
 * and `behind` says so; null before the first.
 */
export function useComputed(doc: ProjectDocument | null): {
  computed: Computed | null;
  behind: boolean;
  stuck: string | null;
} {
  const large = (doc?.shell?.pieces.length ?? 0) > MANY;
  const now = useMemo(() => (doc && !large ? compute(doc) : null), [doc, large]);
  const [stuck, setStuck] = useState<string | null>(null);
  const [later, setLater] = useState<{ doc: ProjectDocument; computed: Computed } | null>(null);
  const aside = useRef(new Aside());
  useEffect(() => {
    if (!doc || !large) return;
    aside.current.ask({
      doc,
      done: (computed) => {
        setLater({ doc, computed });
        setStuck(null);
      },
      failed: () => setStuck(STUCK),
    });
  }, [doc, large]);
  useEffect(() => {
    const { current } = aside;
    return () => current.close();
  }, []);
  const last = useRef<Computed | null>(null);
  if (now) last.current = now;
  if (!large) return { computed: now, behind: false, stuck: null };
  return { computed: later?.computed ?? last.current, behind: stuck === null && later?.doc !== doc, stuck };
}
