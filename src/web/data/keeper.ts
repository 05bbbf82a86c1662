import { type PatchOperation } from '../../contract/index.ts';
import { applyPatch, comparePatch } from '../../contract/patch.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { LONGEST_NAME } from '../../core/text.ts';
import { type ProjectAnswer, Refusal } from './client.ts';
import { type Clash, clashOf, laid, mergedOf } from './merging.ts';
import { type Pending, type Unsent } from './unsent.ts';

/** What a project is kept by; the browser's calls, or a test's. */
export interface Keeping {
  change: (id: string, revision: number, label: string, patch: PatchOperation[]) => Promise<ProjectAnswer>;
  walk: (id: string, kind: 'undo' | 'redo', revision: number) => Promise<ProjectAnswer>;
  fetch: (id: string) => Promise<ProjectAnswer>;
  /** The document as it was at a revision. */
  at: (id: string, revision: number) => Promise<ProjectDocument>;
}

/**
 * What has just been done and can be taken back, in words, and whereabouts; or what was done elsewhere meanwhile and lies
 * beside what is shown here.
 */
export interface Told {
  kind: 'undo' | 'redo' | 'do' | 'merged' | 'elsewhere';
  label: string;
  paths: string[];
}

export interface Kept {
  base: ProjectAnswer;
  /** The document as it stands on screen. */
  doc: ProjectDocument;
  /** True only when what is on screen is stored. */
  saved: boolean;
  saving: boolean;
  /** A slider is being moved: what is shown is not to be saved yet. */
  trying: boolean;
  trouble: string | null;
  /** What could not be sent is still here and can be sent again. */
  again: boolean;
  clash: Clash | null;
  told: Told | null;
}

type Task = { kind: 'save'; label: string; next: ProjectDocument; tell: boolean } | { kind: 'undo' | 'redo' };

const pathsOf = (a: ProjectDocument, b: ProjectDocument): string[] => comparePatch(a, b).map((p) => p.path);

/**
 * Keeps one project: what is tried, saved and still on its way, one change after another. Nothing is ever sent a second
 * time without the sewist's word when the project has changed elsewhere.
 */
export class Keeper {
  private base: ProjectAnswer;
  private tried: ProjectDocument | null = null;
  private queue: Task[] = [];
  private running = false;
  private trouble: string | null = null;
  private again = false;
  private clash: Clash | null = null;
  private told: Told | null = null;
  /** Something of ours is kept in the browser, since it could not be sent. */
  private held = false;
  /** What was done elsewhere and is not shown yet. */
  private heard: { revision: number; label: string }[] = [];
  /** Revisions that were made beside: whoever brings them first, the answer or what is heard, they are no news. */
  private readonly own = new Set<number>();
  /** So many changes are being made beside. */
  private out = 0;
  /** The newest revision that was heard of. */
  private ahead = 0;
  private listeners = new Set<() => void>();
  private state: Kept;

  constructor(
    private readonly id: string,
    first: ProjectAnswer,
    private readonly by: Keeping,
    private readonly unsent: Unsent | null = null,
  ) {
    this.base = first;
    this.state = this.made();
  }

  /** What could not be sent when the page was closed goes on its way: on what it was made on, so that what was done since is seen. */
  resume = async (): Promise<void> => {
    for (const p of this.unsent?.take(this.id) ?? []) {
      const old = await this.madeOn(p);
      const next = old && laid(old.document, p.patch);
      if (next) {
        this.base = old;
        this.queue.push({ kind: 'save', label: p.label, next, tell: true });
        this.go();
      } else if (old) this.trouble = `"${p.label}" could not be sent when it was made, and fits nothing any more.`;
      // Nobody answers yet: it waits for the next time.
      else this.unsent?.keep(this.id, p);
      this.tell();
    }
  };

  private async madeOn({ revision }: Pending): Promise<ProjectAnswer | null> {
    if (revision === this.base.revision && !this.queue.length) return this.base;
    const document = await this.by.at(this.id, revision).catch(() => null);
    return document && { ...this.base, revision, document };
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  snapshot = (): Kept => this.state;

  /** A newer state from elsewhere, taken over only while nothing of ours is on its way; and said. */
  receive(answer: ProjectAnswer): void {
    if (this.queue.length || this.clash || this.out || answer.revision <= this.base.revision) return;
    const paths = pathsOf(this.base.document, answer.document);
    const label = this.heard
      .filter((h) => h.revision > this.base.revision && !this.own.has(h.revision))
      .map((h) => h.label)
      .slice(-3)
      .join(', ');
    this.heard = [];
    this.base = answer;
    if (paths.length && !this.own.has(answer.revision))
      this.told = { kind: 'elsewhere', label: label || 'look it over', paths };
    this.tell();
  }

  /** A change was kept, here or elsewhere: what is newer than what is shown is fetched, once nothing of ours is on its way. */
  hear(revision: number, label: string): void {
    if (revision <= Math.max(this.base.revision, this.ahead)) return;
    this.ahead = revision;
    this.heard.push({ revision, label });
    if (!this.running) void this.catchUp();
  }

  /** A change that is made beside, as by an upload, which answers with the revision it made: no news from elsewhere. */
  beside = async <T extends { revision: number }>(work: () => Promise<T>): Promise<T> => {
    this.goOut(1);
    try {
      const answer = await work();
      this.own.add(answer.revision);
      return answer;
    } finally {
      this.goOut(-1);
      const fresh = await this.by.fetch(this.id).catch(() => null);
      if (fresh) this.receive(fresh);
    }
  };

  /** A change that something must be fetched for first: it is laid on what is on screen by then, not on what was. */
  bring = async (label: string, fetch: () => Promise<(now: ProjectDocument) => ProjectDocument>): Promise<void> => {
    this.goOut(1);
    try {
      const lay = await fetch();
      this.save(label, lay(this.meant()));
    } catch (e) {
      this.trouble = `"${label}" was not kept. ${(e as Error).message}`;
    } finally {
      this.goOut(-1);
      void this.catchUp();
    }
  };

  private goOut(by: 1 | -1): void {
    this.out += by;
    this.tell();
  }

  /** Something may have been missed. */
  lookAgain(): void {
    void this.catchUp(true);
  }

  private async catchUp(missed = false): Promise<void> {
    if (this.queue.length || this.clash || this.out || (!missed && this.ahead <= this.base.revision)) return;
    const fresh = await this.by.fetch(this.id).catch(() => null);
    if (fresh) this.receive(fresh);
  }

  preview = (next: ProjectDocument): void => {
    this.tried = next;
    this.tell();
  };
  /** What was tried is not wanted. */
  cancel = (): void => {
    if (!this.tried) return;
    this.tried = null;
    this.tell();
  };
  save = (label: string, next: ProjectDocument, tell = false): void => {
    this.tried = null;
    if (this.clash) return;
    this.queue.push({ kind: 'save', label, next, tell });
    this.go();
  };
  walk = (kind: 'undo' | 'redo'): void => {
    this.tried = null;
    if (this.clash) return;
    this.queue.push({ kind });
    this.go();
  };
  /** Sends what could not be sent. */
  retry = (): void => {
    this.trouble = null;
    this.again = false;
    this.go();
  };
  calm = (): void => {
    // What could not be sent is given up with its message, and said to be so by the screen going back.
    if (this.again) this.queue = [];
    this.trouble = null;
    this.again = false;
    this.tell();
  };
  quiet = (): void => {
    this.told = null;
    this.tell();
  };
  takeTheirs = (): void => {
    this.clash = null;
    this.tell();
  };
  keepMine = (): void => {
    const { clash, base } = this;
    this.clash = null;
    this.tell();
    if (!clash?.patch) return;
    this.save(clash.label, applyPatch(base.document, clash.patch));
  };

  private go(): void {
    this.tell();
    if (this.running || this.again) return;
    this.running = true;
    void this.run().finally(() => {
      this.running = false;
      this.tell();
      void this.catchUp();
    });
  }

  private async run(): Promise<void> {
    for (let task = this.queue[0]; task; task = this.queue[0]) {
      try {
        const before = this.base;
        const answer = await this.send(task);
        this.queue.shift();
        if (answer) this.took(task, before, answer);
        this.trouble = null;
        this.tell();
      } catch (e) {
        if (!(await this.refused(task, e as Error))) return;
      }
    }
  }

  private async send(task: Task): Promise<ProjectAnswer | null> {
    const { revision, document } = this.base;
    if (task.kind !== 'save') return this.by.walk(this.id, task.kind, revision);
    const patch = comparePatch(document, task.next);
    if (!patch.length) return null;
    const answer = await this.by.change(this.id, revision, task.label, patch);
    // The shell's own object is kept where it did not change, so that what depends on it alone stays computed.
    const same = !patch.some((p) => p.path.startsWith('/shell')) && document.shell;
    return same && answer.revision === revision + 1 ? { ...answer, document: task.next } : answer;
  }

  private took(task: Task, before: ProjectAnswer, answer: ProjectAnswer): void {
    const kind = task.kind === 'save' ? 'do' : task.kind;
    const label = task.kind === 'save' ? task.label : (before.steps[task.kind] ?? '');
    if (kind !== 'do' || (task.kind === 'save' && task.tell))
      this.told = { kind, label, paths: pathsOf(before.document, answer.document) };
    this.base = answer;
  }

  /** Whether to go on with what waits. */
  private async refused(task: Task, e: Error): Promise<boolean> {
    const problem = e instanceof Refusal ? e.problem : null;
    if (problem?.type.endsWith(':stale')) return this.stale(task, problem.since);
    // Nothing can be written just now, or nobody answers: it may be tried again as it is.
    if (!problem || [0, 503, 507].includes(problem.status)) {
      // It stays first in the queue, and on screen, until it is sent again or given up.
      this.trouble = e.message;
      this.again = true;
      return false;
    }
    this.queue.shift();
    this.trouble = task.kind === 'save' ? `"${task.label}" was not kept. ${e.message}` : e.message;
    return true;
  }

  private async stale(task: Task, since: unknown): Promise<boolean> {
    const elsewhere = (Array.isArray(since) ? since : [])
      .map((c) => String((c as { label?: unknown }).label ?? ''))
      .reverse();
    const old = this.base.document;
    const waiting = this.queue.flatMap((t) => (t.kind === 'save' ? [t] : []));
    this.queue = [];
    const fresh = await this.by.fetch(this.id).catch(() => null);
    if (!fresh) {
      this.queue = [task];
      this.again = true;
      return false;
    }
    this.base = fresh;
    const last = waiting[waiting.length - 1];
    if (last) {
      const label = waiting
        .map((w) => w.label)
        .join(', ')
        .slice(0, LONGEST_NAME);
      const theirs = comparePatch(old, fresh.document);
      const merged = mergedOf(comparePatch(old, last.next), theirs, fresh.document);
      this.told = { kind: 'merged', label: elsewhere.join(', '), paths: theirs.map((p) => p.path) };
      if (merged) {
        this.queue = [{ kind: 'save', label, next: merged, tell: false }];
        return true;
      }
      this.told = null;
      this.clash = clashOf(old, last.next, fresh.document, label, elsewhere);
    } else
      this.trouble = `It was changed elsewhere meanwhile (${elsewhere.join(', ')}), so nothing was undone. Look at it first.`;
    return false;
  }

  /** The document with all that waits to be saved. */
  meant = (): ProjectDocument => {
    const last = this.queue.findLast((t) => t.kind === 'save');
    return last?.kind === 'save' ? last.next : this.base.document;
  };

  private made(): Kept {
    const { queue, out } = this;
    const doc = this.tried ?? this.meant();
    return {
      base: this.base,
      doc,
      saved: !this.tried && !queue.length && !out && !this.trouble && !this.clash,
      saving: out > 0 || (queue.length > 0 && !this.again),
      trying: this.tried !== null,
      trouble: this.trouble,
      again: this.again,
      clash: this.clash,
      told: this.told,
    };
  }

  /** What can't be sent just now is kept in the browser, until it is sent or given up. */
  private holdUnsent(): void {
    const last = this.again ? this.queue.findLast((t) => t.kind === 'save') : undefined;
    if (last?.kind === 'save') {
      const labels = this.queue.flatMap((t) => (t.kind === 'save' ? [t.label] : []));
      const patch = comparePatch(this.base.document, last.next);
      this.unsent?.keep(this.id, {
        ...{ revision: this.base.revision, patch, label: labels.join(', ').slice(0, LONGEST_NAME) },
      });
      this.held = true;
    } else if (this.held && !this.queue.length) {
      this.unsent?.keep(this.id, null);
      this.held = false;
    }
  }

  private tell(): void {
    this.holdUnsent();
    this.state = this.made();
    for (const l of this.listeners) l();
  }
}
