import { type Imported, type Progress, type Stage } from '../../core/import/index.ts';
import { type Result, refuse, stop } from '../../core/result.ts';
import { type Budget, Pool } from '../threads/pool.ts';
import { type IntakeJob, type LookAnswer } from './read.ts';

// Reading is never loaded into the server's own thread unless it has to run there: the PDF package puts slow stand-ins
// in place of JSON and others, for old browsers.
const reading = () => import('./read.ts');

/**
 * Room for a large drawing, most of it for what is soon thrown away: with less, a quarter of the time goes into garbage
 * collection. Two at a time, so that a heavy file does not keep the next one waiting.
 */
const BUDGET: Budget = { patience: 30_000, memoryMb: 2048, youngMb: 192, size: 2, idle: 60_000, keepOne: true };

/** A file on its way in, by the name its sender gave it. */
interface Running {
  progress: Progress;
  /** Ends the reading that goes on now; null while it waits or is being stored. */
  end: (() => void) | null;
}

const at = (stage: Stage): Progress => ({ stage, done: 0, of: 0 });
const unwanted = () => refuse(stop('reading-stopped'));

/** Reads files in threads of their own; a file that takes too long is given up and its thread replaced. */
export class Reader {
  private readonly pool: Pool | null;
  private running = new Map<string, Running>();

  /** Without the built thread (in tests of the routes) reading runs in place. */
  constructor(file: URL | null) {
    this.pool = Pool.of(file, BUDGET);
  }

  /** Starts a thread beforehand, so that the first file does not wait for it. */
  warm(): void {
    this.pool?.warm();
  }

  pieces(job: IntakeJob, name?: string): Promise<Result<Imported>> {
    return this.named(name, (r) =>
      this.ask<Imported>(false, job, r, async (j, tell) => (await reading()).readPieces(j, tell)),
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
    const r: Running = { progress: at('storing'), end: null };
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
    r.end?.();
    return true;
  }

  async close(): Promise<void> {
    await this.pool?.close();
  }

  private async named<T>(name: string | undefined, work: (r: Running) => Promise<T>): Promise<T> {
    const r: Running = { progress: at('waiting'), end: null };
    if (name !== undefined) this.running.set(name, r);
    try {
      return await work(r);
    } finally {
      if (name !== undefined && this.running.get(name) === r) this.running.delete(name);
    }
  }

  private async ask<T>(
    look: boolean,
    job: IntakeJob,
    r: Running,
    here: (job: IntakeJob, tell: (p: Progress) => void) => Promise<Result<T>>,
  ): Promise<Result<T>> {
    const tell = (p: unknown): void => {
      r.progress = p as Progress;
    };
    if (!this.pool) return here(job, tell);
    const { outcome, stop: end } = this.pool.run<Result<T>>({ look, job }, tell);
    r.end = end;
    const o = await outcome;
    r.end = null;
    if (o.ok) return o.value;
    if (o.why === 'failed') return refuse(stop('file-unreadable', undefined, { detail: o.detail.slice(0, 100) }));
    return o.why === 'stopped' ? unwanted() : refuse(stop('file-too-heavy'));
  }
}
