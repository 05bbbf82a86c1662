import { applyPatch, comparePatch, PatchFault } from '../../contract/patch.ts';
import { goneSteps, type Touched, touchedSteps } from '../../core/bench/index.ts';
import { type StepLog } from '../../core/bench/log.ts';
import { type Computed, compute, taskOf } from '../../core/document/compute.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { type Plan } from '../../core/plan/index.ts';
import { LONGEST_NAME } from '../../core/text.ts';
import { type Answered, type Asked } from '../workers/plan.ts';
import { BESIDE, onlyBeside } from './beside.ts';

/** A change that is not kept yet, since something was sewn otherwise. */
export interface Contradiction {
  label: string;
  doc: ProjectDocument;
  plan: Plan;
  touched: Touched[];
  gone: StepLog[];
}

/** What is shown while it is looked at, and what is done in the end. */
interface By {
  preview: (next: ProjectDocument) => void;
  save: (label: string, next: ProjectDocument, tell: boolean) => void;
  cancel: () => void;
  /** The document with all that is to be saved. */
  meant: () => ProjectDocument;
}

/** A state of the project as it is planned. */
interface Planned {
  doc: ProjectDocument;
  plan: Plan;
  cut: Computed['cutLines'];
}

interface Pending {
  label: string;
  from: ProjectDocument;
  next: ProjectDocument;
  tell: boolean;
}

/** A pattern of more pieces takes too long to be worked out twice: what it contradicts is told once it is kept. */
const MANY = 60;
/** So long the plan is waited for, ms: then the change is kept unlooked at, and told afterwards. */
const PATIENCE = 4000;

/**
 * What is cut or sewn is a fact: a choice that would have it otherwise is shown, and asked about before it is kept. Nothing is held
 * up where nothing is sewn, or where the choice has nothing to do with what is.
 */
export class SewnGuard {
  private pending: Pending | null = null;
  private asked: Contradiction | null = null;
  private worker: Worker | null = null;
  private count = 0;
  private known: Planned | null = null;
  private readonly listeners = new Set<() => void>();
  constructor(private readonly by: By) {}

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  snapshot = (): Contradiction | null => this.asked;

  /** A change on what is shown; kept at once where nothing can speak against it. */
  save = (label: string, next: ProjectDocument, tell = false): void => {
    if (this.asked) this.leave();
    const before = this.pending;
    const from = before?.from ?? this.by.meant();
    const all = before ? `${before.label}, ${label}`.slice(0, LONGEST_NAME) : label;
    this.pending = { label: all, from, next, tell: tell || (before?.tell ?? false) };
    if (!speaks(from, next)) {
      this.keep();
      return;
    }
    this.by.preview(next);
    void this.look(this.pending);
  };

  /** What waits to be looked at is kept as it is: the page is left, and nothing may get lost. */
  flush = (): void => {
    if (this.pending && !this.asked) this.keep();
  };
  /** What is only tried is given up; what was to be kept is kept. */
  cancel = (): void => {
    if (this.asked) this.leave();
    this.flush();
    this.by.cancel();
  };
  keep = (): void => {
    const p = this.pending;
    this.done();
    if (p) this.by.save(p.label, laidOn(this.by.meant(), p), p.tell);
  };
  leave = (): void => {
    this.done();
    this.by.cancel();
  };
  close = (): void => {
    this.flush();
    this.worker?.terminate();
    this.worker = null;
  };

  private done(): void {
    this.pending = null;
    this.asked = null;
    for (const l of this.listeners) l();
  }

  private async look(p: Pending): Promise<void> {
    const plan = await Promise.race([this.both(p), sleep(PATIENCE)]);
    if (this.pending !== p) return;
    const now = plan?.next && against(plan.next);
    const was = plan?.from && against(plan.from);
    const news = now && {
      touched: now.touched.filter((t) => !was?.touched.some((x) => x.step.id === t.step.id && same(x, t))),
      gone: now.gone.filter((l) => !was?.gone.some((x) => x.id === l.id)),
    };
    if (!news || !plan?.next || news.touched.length + news.gone.length === 0) {
      this.known = plan?.next ?? null;
      this.keep();
      return;
    }
    this.asked = { label: p.label, doc: p.next, plan: plan.next.plan, ...news };
    for (const l of this.listeners) l();
  }

  private async both(p: Pending): Promise<{ from: Planned | null; next: Planned | null }> {
    const { known } = this;
    const from = known && onlyBeside(known.doc, p.from) ? { ...known, doc: p.from } : await this.planned(p.from);
    return { from, next: await this.planned(p.next) };
  }

  private planned(doc: ProjectDocument): Promise<Planned | null> {
    this.worker ??= new Worker(new URL('../workers/plan.ts', import.meta.url), { type: 'module', name: 'sewn' });
    const worker = this.worker;
    const id = ++this.count;
    const x = compute(doc);
    const asked: Asked = {
      id,
      task: taskOf(doc, x),
      choices: { ...doc.decisions.making, ...BESIDE },
      topic: null,
    };
    return new Promise((done) => {
      const hear = ({ data }: MessageEvent<Answered>): void => {
        if (data.id !== id) return;
        worker.removeEventListener('message', hear);
        done(data.plan?.ok ? { doc, plan: data.plan.value, cut: x.cutLines } : null);
      };
      worker.addEventListener('message', hear);
      worker.postMessage(asked);
    });
  }
}

/** What was to be kept, on what stands by now: something else may have come in between. */
function laidOn(now: ProjectDocument, { from, next }: Pending): ProjectDocument {
  if (now === from) return next;
  try {
    return applyPatch(now, comparePatch(from, next));
  } catch (e) {
    if (e instanceof PatchFault) return next;
    throw e;
  }
}

const sleep = (ms: number): Promise<null> => new Promise((done) => setTimeout(done, ms, null));
const same = (a: Touched, b: Touched): boolean => JSON.stringify(a.differs) === JSON.stringify(b.differs);

/** Whether a change can speak against what is sewn at all. */
function speaks(from: ProjectDocument, next: ProjectDocument): boolean {
  const sewn = next.decisions.bench.steps.some((l) => l.state === 'done' && l.code);
  return sewn && (next.shell?.pieces.length ?? 0) <= MANY && next.shell !== null && !onlyBeside(from, next);
}

function against({ doc, plan, cut }: Planned): Pick<Contradiction, 'touched' | 'gone'> {
  const { decisions } = doc;
  return { touched: touchedSteps(plan.steps, cut, decisions), gone: goneSteps(plan.steps, decisions.bench) };
}
