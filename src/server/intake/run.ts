import { existsSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import { type Intake, type Progress, type Stage } from '../../core/intake/index.ts';
import { type Result, refuse, stop } from '../../core/result.ts';
import { type IntakeJob, type LookAnswer } from './read.ts';

// Reading is never loaded into the server's own thread unless it has to run there: the PDF package puts slow stand-ins
// in place of JSON and others, for old browsers.
const reading = () => import('./read.ts');

/** A file that takes longer to read is given up, ms. */
const PATIENCE = 30_000;

/** Room for a large drawing, most of it for what is soon thrown away: with less, a quarter of the time goes into tidying. */
const ROOM = { maxOldGenerationSizeMb: 2048, maxYoungGenerationSizeMb: 192 };

interface Word {
  id: number;
  answer?: unknown;
  failed?: string;
  progress?: Progress;
}

/** A file on its way in, by the name its sender gave it. */
interface Running {
  progress: Progress;
  /** Set when its sender wants it no more. */
  stopped: boolean;
  /** Ends the reading that goes on now; null while it waits or is being stored. */
  end: (() => void) | null;
}

const at = (stage: Stage): Progress => ({ stage, done: 0, of: 0 });
const unwanted = () => refuse(stop('reading-stopped'));

/** Reads files in a worker thread, one after another; a file that takes too long is given up and the worker replaced. */
export class Reader {
  private worker: Worker | null = null;
  private count = 0;
  private queue: Promise<unknown> = Promise.resolve();
  private running = new Map<string, Running>();

  /** Without the built worker (in tests of the routes) reading runs in the same thread. */
  constructor(private readonly file: URL | null) {}

  /** Starts the worker beforehand, so that the first file does not wait for it. */
  warm(): void {
    if (this.file && existsSync(this.file)) this.thread();
  }

  pieces(job: IntakeJob, name?: string): Promise<Result<Intake>> {
    return this.named(name, (r) =>
      this.ask<Intake>(false, job, r, async (j, tell) => (await reading()).readPieces(j, tell)),
    );
  }

  look(job: IntakeJob, name?: string): Promise<Result<LookAnswer>> {
    return this.named(name, (r) =>
      this.ask<LookAnswer>(true, job, r, async (j, tell) => (await reading()).lookInto(j, tell)),
    );
  }

  /** How far the file of this name is; null when none is on its way. */
  progress(name: string): Progress | null {
    return this.running.get(name)?.progress ?? null;
  }

  /** Says that the pieces of this file are being written down. From here on it can no longer be stopped. */
  storing(name: string | undefined, work: Promise<unknown>): void {
    if (name === undefined) return;
    const r: Running = { progress: at('storing'), stopped: false, end: null };
    this.running.set(name, r);
    const forget = (): void => {
      if (this.running.get(name) === r) this.running.delete(name);
    };
    work.then(forget, forget);
  }

  /** Gives up the file of this name; false when none is being read. */
  cancel(name: string): boolean {
    const r = this.running.get(name);
    if (!r || r.progress.stage === 'storing') return false;
    r.stopped = true;
    r.end?.();
    return true;
  }

  async close(): Promise<void> {
    await this.worker?.terminate();
    this.worker = null;
  }

  private async named<T>(name: string | undefined, work: (r: Running) => Promise<T>): Promise<T> {
    const r: Running = { progress: at('waiting'), stopped: false, end: null };
    if (name !== undefined) this.running.set(name, r);
    try {
      return await work(r);
    } finally {
      if (name !== undefined && this.running.get(name) === r) this.running.delete(name);
    }
  }

  private ask<T>(
    look: boolean,
    job: IntakeJob,
    r: Running,
    here: (job: IntakeJob, tell: (p: Progress) => void) => Promise<Result<T>>,
  ): Promise<Result<T>> {
    const tell = (p: Progress): void => {
      r.progress = p;
    };
    const there = this.file && existsSync(this.file);
    const next = this.queue.then(() => {
      if (r.stopped) return unwanted();
      return there ? this.once<T>(look, job, r) : here(job, tell);
    });
    this.queue = next.catch(() => undefined);
    return next;
  }

  private thread(): Worker {
    const worker = this.worker ?? new Worker(this.file as URL, { resourceLimits: ROOM });
    this.worker = worker;
    worker.unref();
    return worker;
  }

  private once<T>(look: boolean, job: IntakeJob, r: Running): Promise<Result<T>> {
    const worker = this.thread();
    const id = ++this.count;
    return new Promise((done) => {
      const give = (result: Result<T>, broken: boolean): void => {
        clearTimeout(timer);
        worker.off('message', onMessage);
        worker.off('error', onError);
        r.end = null;
        if (broken) {
          this.worker = null;
          void worker.terminate();
        }
        done(result);
      };
      const onMessage = (m: Word): void => {
        if (m.id !== id) return;
        if (m.progress) r.progress = m.progress;
        else if (m.failed !== undefined)
          give(refuse(stop('file-unreadable', undefined, { detail: m.failed.slice(0, 100) })), false);
        else give(m.answer as Result<T>, false);
      };
      const onError = (): void => give(refuse(stop('file-too-heavy')), true);
      const timer = setTimeout(() => give(refuse(stop('file-too-heavy')), true), PATIENCE);
      r.end = () => give(unwanted(), true);
      worker.on('message', onMessage);
      worker.on('error', onError);
      worker.postMessage({ id, look, job });
    });
  }
}
