import { createHash } from 'node:crypto';
import { type Answer } from '../../contract/index.ts';
import { isLong } from '../../core/output/paper.ts';
import { problemBody } from '../problem.ts';
import { type Budget, Pool } from '../threads/pool.ts';
import { type Answered, type WorkJob } from './ask.ts';
import { type DocumentJob, type DocumentMade, type Made, workOn } from './document.ts';
import { type LayJob, type LayMade } from './lay.ts';

/** The largest pattern of the trade takes a few seconds. Threads that rest are let go of: the interface rarely asks. */
const BUDGET: Budget = { patience: 20_000, memoryMb: 1024, size: 2, idle: 30_000 };

/** A lay is looked for as long as it was asked; the first one of very many pieces may take longer. One at a time. */
const LAYING: Budget = { patience: 120_000, memoryMb: 1024, size: 1, idle: 30_000 };

/** Sheets are laid on pages in seconds; of very many pieces it takes longer. */
const PAGING: Budget = { patience: 60_000, memoryMb: 1024, size: 1, idle: 30_000 };

/** For so many it is kept where their sheets lie on the pages. */
const KEPT = 40;

const TOO_HEAVY =
  'This project takes too long to be worked out. Its pattern has too many lines, or lines that cross each other very often: put in a simpler one.';

/** A document that is longer as it is stored is worked on in a thread; a shorter one is done sooner than handed over. */
const LONG = 60_000;

/** So long is all the text of a job. */
function lengthOf(job: DocumentJob): number {
  const { json = '', packed = '', patch = '', read = '' } = job as Partial<Record<string, string>>;
  return json.length + packed.length + patch.length + read.length;
}

/** Pages of a project that are being laid: of which text of it, and whether they are only shown, so that a newer text makes them needless. */
interface Paging {
  key: string;
  text: string;
  shown: boolean;
  halt: SharedArrayBuffer;
}

/** Works on documents, and answers out of them, in threads of their own; in place where they are not built. */
export class Works {
  private readonly pool: Pool | null;
  private readonly laying: Pool | null;
  private readonly paging: Pool | null;
  /** Where sheets lie on pages, by what was asked of which document: shown, and then printed just so. */
  private readonly pages = new Map<string, Promise<Answered>>();
  private readonly underway = new Map<string, Paging>();
  constructor(file: URL | null) {
    this.pool = Pool.of(file, BUDGET);
    this.paging = Pool.of(file, PAGING);
    this.laying = Pool.of(file, LAYING);
  }

  async answer(job: WorkJob): Promise<Answered> {
    const { part, paper } = job.asked;
    if (part === 'pages') return this.pagesOf(job, true);
    if (part !== 'pattern.pdf' || (paper && isLong(paper))) return this.worked(job, this.pool);
    const pages = await this.pagesOf({ ...job, asked: { ...job.asked, part: 'pages' } }, false);
    if (pages.status !== 200) return pages;
    const { placed } = JSON.parse(pages.body as string) as Answer<'GET /api/projects/{id}/pages'>;
    const puts = placed.map(({ turnDeg, ...p }) => ({ ...p, turn: turnDeg }));
    return this.worked({ ...job, asked: { ...job.asked, puts } }, this.pool);
  }

  /** Found once for a document and what is asked of it, whoever asks. */
  private pagesOf(job: WorkJob, shown: boolean): Promise<Answered> {
    const { now: _, ...asked } = job.asked;
    const key = createHash('sha256').update(job.text).update(JSON.stringify(asked)).digest('hex');
    const found = this.pages.get(key) ?? this.paged(job, key, shown);
    const same = this.underway.get(job.id);
    if (same?.text === job.text && !shown) same.shown = false;
    // The one that was asked for last is forgotten last.
    this.pages.delete(key);
    this.pages.set(key, found);
    // What was too heavy may have been so on a busy machine only.
    const forget = (): unknown => this.pages.get(key) === found && this.pages.delete(key);
    found.then((a) => a.status !== 200 && forget(), forget);
    for (const old of [...this.pages.keys()].slice(0, -KEPT)) this.pages.delete(old);
    return found;
  }

  /** Lays a project on pages; what is still laid of an older text of it, only to be shown, is given up: the next would wait for it. */
  private async paged(job: WorkJob, key: string, shown: boolean): Promise<Answered> {
    const { id, text } = job;
    const older = this.underway.get(id);
    if (older?.shown && older.text !== text) {
      Atomics.store(new Int32Array(older.halt), 0, 1);
      this.pages.delete(older.key);
    }
    const own: Paging = { key, text, shown, halt: new SharedArrayBuffer(4) };
    this.underway.set(id, own);
    try {
      const made = await this.worked({ ...job, asked: { ...job.asked, halt: own.halt } }, this.paging);
      const given = Atomics.load(new Int32Array(own.halt), 0) !== 0;
      return given
        ? problemBody(409, 'changed', 'The project was changed while its pages were laid: ask again.')
        : made;
    } finally {
      if (this.underway.get(id) === own) this.underway.delete(id);
    }
  }

  private async worked(job: WorkJob, pool: Pool | null): Promise<Answered> {
    if (!pool) return (await import('./answer.ts')).answer(job);
    const o = await pool.run<Answered>(job).outcome;
    if (o.ok) return o.value;
    if (o.why === 'failed') throw faultOf(o.detail);
    return problemBody(422, 'too-heavy', TOO_HEAVY);
  }

  async document<J extends DocumentJob>(job: J): Promise<Made<DocumentMade<J>>> {
    if (!this.pool || lengthOf(job) < LONG) return workOn(job);
    const o = await this.pool.run<Made<DocumentMade<J>>>(job).outcome;
    if (o.ok) return o.value;
    if (o.why === 'failed') throw faultOf(o.detail);
    return { ok: false, problems: [{ path: 'the project', message: 'it is too large to be worked on' }] };
  }

  /** A lay of outlines; null where it takes too long even to lay them one after another. */
  async lay(job: LayJob): Promise<LayMade | null> {
    if (!this.laying) return (await import('./lay.ts')).layOutlines(job);
    const o = await this.laying.run<LayMade>(job).outcome;
    if (o.ok) return o.value;
    if (o.why === 'failed') throw faultOf(o.detail);
    return null;
  }

  async close(): Promise<void> {
    await this.laying?.close();
    await this.paging?.close();
    await this.pool?.close();
  }
}

const faultOf = (stack: string): Error => Object.assign(new Error('a part could not be worked out'), { stack });
