import { existsSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import { type Intake } from '../../core/intake/index.ts';
import { type Result, refuse, stop } from '../../core/result.ts';
import { type IntakeJob, type LookAnswer, lookInto, readPieces } from './read.ts';

/** A file that takes longer to read is given up, ms. */
const PATIENCE = 30_000;

interface Answer {
  id: number;
  answer?: unknown;
  failed?: string;
}

/** Reads files in a worker thread, one after another; a file that takes too long is given up and the worker replaced. */
export class Reader {
  private worker: Worker | null = null;
  private count = 0;
  private queue: Promise<unknown> = Promise.resolve();

  /** Without the built worker (in tests of the routes) reading runs in the same thread. */
  constructor(private readonly file: URL | null) {}

  pieces(job: IntakeJob): Promise<Result<Intake>> {
    return this.file && existsSync(this.file) ? this.ask<Intake>(false, job) : readPieces(job);
  }

  look(job: IntakeJob): Promise<Result<LookAnswer>> {
    return this.file && existsSync(this.file) ? this.ask<LookAnswer>(true, job) : lookInto(job);
  }

  async close(): Promise<void> {
    await this.worker?.terminate();
    this.worker = null;
  }

  private ask<T>(look: boolean, job: IntakeJob): Promise<Result<T>> {
    const next = this.queue.then(() => this.once<T>(look, job));
    this.queue = next.catch(() => undefined);
    return next;
  }

  private once<T>(look: boolean, job: IntakeJob): Promise<Result<T>> {
    const worker = this.worker ?? new Worker(this.file as URL, { resourceLimits: { maxOldGenerationSizeMb: 2048 } });
    this.worker = worker;
    worker.unref();
    const id = ++this.count;
    return new Promise((done) => {
      const give = (r: Result<T>, broken: boolean): void => {
        clearTimeout(timer);
        worker.off('message', onMessage);
        worker.off('error', onError);
        if (broken) {
          this.worker = null;
          void worker.terminate();
        }
        done(r);
      };
      const onMessage = (m: Answer): void => {
        if (m.id !== id) return;
        if (m.failed !== undefined)
          give(refuse(stop('file-unreadable', undefined, { detail: m.failed.slice(0, 100) })), false);
        else give(m.answer as Result<T>, false);
      };
      const onError = (): void => give(refuse(stop('file-too-heavy')), true);
      const timer = setTimeout(() => give(refuse(stop('file-too-heavy')), true), PATIENCE);
      worker.on('message', onMessage);
      worker.on('error', onError);
      worker.postMessage({ id, look, job });
    });
  }
}
