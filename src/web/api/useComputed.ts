import { useEffect, useMemo, useRef, useState } from 'react';
import { type Computed, compute } from '../../core/compute.ts';
import { type ProjectDocument, type Shell } from '../../core/project.ts';
import { type Task } from '../workers/compute.ts';

/** Patterns of more pieces are worked out beside the screen: a coat of twenty takes less than a frame, this does not. */
const MANY = 60;

interface Answer {
  id: number;
  computed: Computed;
}

/** Asks the worker, one document after another; of those that wait only the newest is asked. */
class Aside {
  private worker: Worker | null = null;
  private count = 0;
  private busy = false;
  private next: { doc: ProjectDocument; done: (c: Computed) => void } | null = null;
  private known: Shell | null | undefined = undefined;

  ask(doc: ProjectDocument, done: (c: Computed) => void): void {
    this.next = { doc, done };
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
    const { doc, done } = this.next;
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
    worker.postMessage(task);
  }
}

/**
 * All consequences of a document. Of a large one they follow a moment later: until then those of the state before stand,
 * and `behind` says so; null before the first.
 */
export function useComputed(doc: ProjectDocument | null): { computed: Computed | null; behind: boolean } {
  const large = (doc?.shell?.pieces.length ?? 0) > MANY;
  const now = useMemo(() => (doc && !large ? compute(doc) : null), [doc, large]);
  const [later, setLater] = useState<{ doc: ProjectDocument; computed: Computed } | null>(null);
  const aside = useRef(new Aside());
  useEffect(() => {
    if (doc && large) aside.current.ask(doc, (computed) => setLater({ doc, computed }));
  }, [doc, large]);
  useEffect(() => {
    const { current } = aside;
    return () => current.close();
  }, []);
  const last = useRef<Computed | null>(null);
  if (now) last.current = now;
  if (!large) return { computed: now, behind: false };
  return { computed: later?.computed ?? last.current, behind: later?.doc !== doc };
}
