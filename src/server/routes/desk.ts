import { type Answer, parseDocument } from '../../contract/index.ts';
import { busyWith, type Standing, type Timed, usualWeek, type Week } from '../../core/bench/index.ts';
import { STASH } from '../../core/document/project.ts';
import { type AppParts } from '../parts.ts';
import { type Answered, type Asked, type AtDesk } from '../work/ask.ts';

/** A project's document as it lies in the database. */
interface Held {
  id: string;
  text: string;
  name: string;
}

export interface Shelved extends Standing {
  id: string;
  name: string;
  garment: string;
}

/** The day and the time that a calendar is asked of. */
export interface When {
  today: string;
  clock: number;
  now: string;
  /** As the project says where it is undefined. */
  by?: string;
}

/** What counts over all projects: read anew of those only that have changed. */
export class Desk {
  private readonly known = new Map<string, { revision: number; standing: Standing }>();
  constructor(private readonly p: AppParts) {}

  /** A project's document is opened only where it has changed since. */
  private async standing(id: string, revision: number): Promise<Standing | null> {
    const known = this.known.get(id);
    if (known?.revision === revision) return known.standing;
    const held = await this.p.opened.store.text(id);
    const made = held && (await this.ask(held, { part: 'standing' }));
    if (made?.status !== 200) return null;
    const standing = JSON.parse(made.body as string) as Standing;
    this.known.set(id, { revision, standing });
    return standing;
  }

  ask(held: Held, asked: Omit<Asked, 'now'>): Promise<Answered> {
    const now = this.p.now().toISOString();
    return this.p.works.answer({
      ...held,
      asked: { now, ...asked },
      fontFiles: this.p.fontFiles,
    });
  }

  /** All projects, one after the other; with what is kept over all of them where that is asked. */
  async shelf(over = false): Promise<Shelved[]> {
    const out: Shelved[] = [];
    for (const { id, revision, name, garment } of await this.p.opened.store.list()) {
      if (id === STASH && !over) continue;
      const s = await this.standing(id, revision);
      if (s) out.push({ id, name, garment, ...s });
    }
    return out;
  }

  /** One of them, with the stash's own among them; null where there is none of that id. */
  async one(id: string): Promise<Shelved | null> {
    const row = (await this.p.opened.store.list()).find((p) => p.id === id);
    const s = row && (await this.standing(id, row.revision));
    return s ? { id, name: row.name, garment: row.garment, ...s } : null;
  }

  timed = async (): Promise<Timed[]> => (await this.shelf()).flatMap((s) => s.timed);

  private async week(): Promise<Week> {
    const stash = await this.p.opened.store.get(STASH);
    const read = stash && parseDocument(JSON.parse(stash.json));
    return read?.ok ? read.document.decisions.week : usualWeek();
  }

  /** What a calendar of a project works from: the hours that those wanted sooner leave. */
  async at(
    id: string,
    when: When,
  ): Promise<{ held: Held; desk: AtDesk; others: Answer<'GET /api/projects/{id}/calendar'>['others'] } | null> {
    const { store } = this.p.opened;
    const all = await this.shelf();
    const mine = all.find((s) => s.id === id);
    const held = mine && (await store.text(id));
    if (!held) return null;
    const { today, clock, now } = when;
    // A day that is past is met by nothing: what is left is late from today on.
    const past = mine.by !== null && mine.by < today;
    const by = when.by === undefined ? (past ? today : mine.by) : when.by;
    const base = { today, clock, now, week: await this.week(), timed: all.flatMap((s) => s.timed) };
    const rank = (s: { by: string | null; id: string }): string => `${s.by ?? '9999'} ${s.id}`;
    const first = all
      .filter((s) => s.id !== id && s.by !== null && rank(s) < rank({ by, id }))
      .sort((a, b) => (rank(a) < rank(b) ? -1 : 1));
    let busy: Record<string, number> = {};
    const others = [];
    for (const s of first) {
      const text = await store.text(s.id);
      const made = text && (await this.ask(text, { part: 'calendar', desk: { ...base, by: s.by, busy } }));
      if (made?.status !== 200) continue;
      const { sittings } = JSON.parse(made.body as string) as Answer<'GET /api/projects/{id}/calendar'>;
      busy = busyWith(busy, sittings);
      others.push(...sittings.map(({ day, used }) => ({ day, project: s.id, name: s.name, minutes: used })));
    }
    return { held, desk: { ...base, by, busy }, others };
  }
}
