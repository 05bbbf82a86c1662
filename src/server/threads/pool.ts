import { existsSync } from 'node:fs';
import { Worker } from 'node:worker_threads';

/** How a job ended: with its value; given up by who asked for it; beyond its time or memory; or by a fault within. */
export type Outcome<T> =
  | { ok: true; value: T }
  | { ok: false; why: 'stopped' | 'too-heavy' }
  | { ok: false; why: 'failed'; detail: string };

/** What a thread says about its job: how far it is, its value, or what failed. */
interface Word {
  id: number;
  progress?: unknown;
  answer?: unknown;
  failed?: string;
}

export interface Budget {
  /** A job that takes longer is ended, and its thread with it, ms. */
  patience: number;
  /** Most memory of a thread for what it holds, MB, beside `youngMb` for what is soon thrown away. */
  memoryMb: number;
  youngMb?: number;
  /** So many jobs go on at a time. */
  size: number;
  /** A thread that has nothing to do is let go of after so long, ms. */
  idle: number;
  /** One thread stays all the same, for the next job not to wait. */
  keepOne?: boolean;
}

/** A job under way: its end, and giving it up. */
export interface Running<T> {
  outcome: Promise<Outcome<T>>;
  stop: () => void;
}

interface Thread {
  worker: Worker;
  busy: boolean;
  timer: NodeJS.Timeout | null;
}

interface Waiting {
  start: (thread: Thread) => void;
  gone: boolean;
}

/**
 * Threads that do heavy work beside the server, each job with a budget of time and memory. One that goes beyond it is
 * ended and its thread replaced; the others do not wait for it.
 */
export class Pool {
  private readonly threads = new Set<Thread>();
  private waiting: Waiting[] = [];
  private count = 0;
  private closed = false;

  constructor(
    private readonly file: URL,
    private readonly budget: Budget,
  ) {}

  /** A pool of the built thread; null where it is not built (in tests of the routes): then work is done in place. */
  static of(file: URL | null, budget: Budget): Pool | null {
    return file && existsSync(file) ? new Pool(file, budget) : null;
  }

  /** Starts a thread beforehand, so that the first job does not wait for it. */
  warm(): void {
    if (!this.threads.size) this.rest(this.thread());
  }

  run<T>(job: unknown, tell: (progress: unknown) => void = () => undefined): Running<T> {
    let stop = (): void => undefined;
    const outcome = new Promise<Outcome<T>>((done) => {
      const waiting: Waiting = { gone: false, start: (thread) => (stop = this.begin<T>(thread, job, tell, done)) };
      stop = () => {
        waiting.gone = true;
        done({ ok: false, why: 'stopped' });
      };
      this.waiting.push(waiting);
      this.next();
    });
    return { outcome, stop: () => stop() };
  }

  async close(): Promise<void> {
    this.closed = true;
    await Promise.all([...this.threads].map((t) => this.end(t)));
  }

  private thread(): Thread {
    const { memoryMb, youngMb = 48 } = this.budget;
    const resourceLimits = { maxOldGenerationSizeMb: memoryMb, maxYoungGenerationSizeMb: youngMb };
    const thread: Thread = { worker: new Worker(this.file, { resourceLimits }), busy: false, timer: null };
    thread.worker.unref();
    // A thread that dies while it rests is replaced when it is needed.
    thread.worker.on('error', () => this.threads.delete(thread));
    thread.worker.on('exit', () => this.threads.delete(thread));
    this.threads.add(thread);
    return thread;
  }

  private next(): void {
    this.waiting = this.waiting.filter((w) => !w.gone);
    while (this.waiting.length && !this.closed) {
      const free = [...this.threads].find((t) => !t.busy);
      if (!free && this.threads.size >= this.budget.size) return;
      this.waiting.shift()?.start(free ?? this.thread());
    }
  }

  private begin<T>(
    thread: Thread,
    job: unknown,
    tell: (p: unknown) => void,
    done: (o: Outcome<T>) => void,
  ): () => void {
    const { worker } = thread;
    const id = ++this.count;
    thread.busy = true;
    if (thread.timer) clearTimeout(thread.timer);
    const give = (outcome: Outcome<T>, broken: boolean): void => {
      clearTimeout(timer);
      worker.off('message', onMessage);
      worker.off('error', onError);
      worker.off('exit', onError);
      done(outcome);
      if (broken) void this.end(thread);
      else this.rest(thread);
      this.next();
    };
    const onMessage = (m: Word): void => {
      if (m.id !== id) return;
      if (m.progress !== undefined) tell(m.progress);
      else if (m.failed !== undefined) give({ ok: false, why: 'failed', detail: m.failed }, false);
      else give({ ok: true, value: m.answer as T }, false);
    };
    const onError = (): void => give({ ok: false, why: 'too-heavy' }, true);
    const timer = setTimeout(onError, this.budget.patience);
    worker.on('message', onMessage);
    worker.on('error', onError);
    worker.on('exit', onError);
    worker.postMessage({ id, job });
    return () => give({ ok: false, why: 'stopped' }, true);
  }

  /** Nothing to do: let go of after a while. */
  private rest(thread: Thread): void {
    thread.busy = false;
    thread.timer = setTimeout(() => {
      if (this.threads.size > 1 || !this.budget.keepOne) void this.end(thread);
    }, this.budget.idle);
    thread.timer.unref();
  }

  private async end(thread: Thread): Promise<void> {
    this.threads.delete(thread);
    if (thread.timer) clearTimeout(thread.timer);
    await thread.worker.terminate();
  }
}
