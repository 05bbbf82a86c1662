import { describe, expect, test } from '@jest/globals';
import { applyPatch, type PatchOperation } from '../../contract/index.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { coatDocument } from '../../test/shells.ts';
import { screenOf } from '../words/index.ts';
import { type ProjectAnswer, Refusal } from './client.ts';
import { Keeper, type Keeping } from './keeper.ts';
import { unsentIn } from './unsent.ts';

const ENUMERABLE = { enumerable: true, configurable: true };

const refused = (type: string, status: number, more: object = {}): Refusal =>
  new Refusal({ type: `urn:woodbine:problem:${type}`, title: '', status, detail: `it was ${type}`, ...more });

/** A server as it behaves: revisions, stale writes refused, undo by inverse; every answer waits until it is let go. */
class Server implements Keeping {
  document = coatDocument();
  revision = 0;
  log: { label: string; before: ProjectDocument }[] = [];
  held: (() => void)[] = [];
  hold = false;
  down = false;
  sent = 0;
  answer = (): ProjectAnswer => ({
    id: 'p',
    name: '',
    garment: 'coat',
    revision: this.revision,
    document: structuredClone(this.document),
    steps: { undo: this.log.at(-1)?.label ?? null, redo: null },
  });
  /** A change made in another tab. */
  elsewhere(label: string, make: (d: ProjectDocument) => void): void {
    this.log.push({ label, before: structuredClone(this.document) });
    make(this.document);
    this.revision += 1;
  }
  private async gate(): Promise<void> {
    this.sent += 1;
    if (this.down) throw refused('unreachable', 0);
    if (this.hold) await new Promise<void>((go) => this.held.push(go));
  }
  change = async (_: string, revision: number, label: string, patch: PatchOperation[]): Promise<ProjectAnswer> => {
    await this.gate();
    if (revision !== this.revision)
      throw refused('stale', 409, {
        revision: this.revision,
        since: [...this.log].reverse().slice(0, this.revision - revision),
      });
    if (label === 'cannot be') throw refused('document', 422);
    this.log.push({ label, before: structuredClone(this.document) });
    this.document = applyPatch(this.document, structuredClone(patch));
    this.revision += 1;
    return this.answer();
  };
  at = async (_: string, revision: number): Promise<ProjectDocument> => {
    if (this.down) throw refused('unreachable', 0);
    const was = this.log.at(revision - this.revision);
    return structuredClone(revision === this.revision ? this.document : (was?.before ?? this.document));
  };
  walk = async (_: string, __: 'undo' | 'redo', revision: number): Promise<ProjectAnswer> => {
    await this.gate();
    if (revision !== this.revision) throw refused('stale', 409, { since: [...this.log].reverse() });
    const last = this.log.pop();
    if (last) this.document = last.before;
    this.revision += 1;
    return this.answer();
  };
  fetch = async (): Promise<ProjectAnswer> => this.answer();
}

const turn = () => new Promise((done) => setTimeout(done, 0));
const settle = async (): Promise<void> => {
  for (let i = 0; i < 8; i++) await turn();
};
const with_ = (d: ProjectDocument, front: number): ProjectDocument => ({
  ...d,
  decisions: { ...d.decisions, facing: { ...d.decisions.facing, front } },
});
const made = () => {
  const server = new Server();
  return { server, k: new Keeper('p', server.answer(), server) };
};
const front = (k: Keeper): number => k.snapshot().doc.decisions.facing.front;

describe('keeping a project', () => {
  test('a save that ends leaves what is tried meanwhile; "saved" is true only when what is shown is stored', async () => {
    const { server, k } = made();
    expect(k.snapshot().saved).toBe(true);
    server.hold = true;
    k.save('Front 90', with_(k.snapshot().doc, 90));
    await turn();
    expect(k.snapshot()).toMatchObject({ saved: false, saving: true });
    k.preview(with_(k.snapshot().doc, 95));
    server.held.shift()?.();
    await settle();
    expect(server.document.decisions.facing.front).toBe(90);
    expect(front(k)).toBe(95);
    expect(k.snapshot()).toMatchObject({ saved: false, saving: false, trying: true });
    k.cancel();
    expect(front(k)).toBe(90);
    expect(k.snapshot()).toMatchObject({ saved: true, trying: false });
  });

  test('several saves go one after another, each on the one before; what was tried is not sent', async () => {
    const { server, k } = made();
    for (const v of [90, 91, 92]) {
      k.preview(with_(k.snapshot().doc, v + 0.5));
      k.save(`Front ${v}`, with_(k.snapshot().doc, v));
    }
    await settle();
    expect(server.log.map((l) => l.label)).toEqual(['Front 90', 'Front 91', 'Front 92']);
    expect([server.document.decisions.facing.front, front(k), server.revision]).toEqual([92, 92, 3]);
  });

  test('changed elsewhere: nothing is sent again by itself; both values are shown, and either is kept as said', async () => {
    for (const keep of [true, false]) {
      const { server, k } = made();
      server.elsewhere('Front facing, width: 80 mm', (d) => {
        d.decisions.facing.front = 80;
      });
      k.save('Front 90', with_(k.snapshot().doc, 90));
      await settle();
      expect([server.sent, server.document.decisions.facing.front]).toEqual([1, 80]);
      const { clash, saved } = k.snapshot();
      expect(saved).toBe(false);
      expect(clash).toMatchObject({
        label: 'Front 90',
        elsewhere: ['Front facing, width: 80 mm'],
        differing: [{ path: '/decisions/facing/front', theirs: 80, mine: 90 }],
      });
      expect(front(k)).toBe(80);
      if (keep) k.keepMine();
      else k.takeTheirs();
      await settle();
      expect([server.document.decisions.facing.front, front(k)]).toEqual(keep ? [90, 90] : [80, 80]);
      expect(k.snapshot().saved).toBe(true);
    }
  });

  test('what does not touch is merged and told; a name never lands on the wrong piece, or on one that is gone', async () => {
    for (const removed of [0, 1]) {
      const { server, k } = made();
      const { doc } = k.snapshot();
      const [, second] = doc.shell?.pieces ?? [];
      server.elsewhere('Remove a piece', (d) => {
        d.shell?.pieces.splice(removed, 1);
      });
      const pieces = (doc.shell?.pieces ?? []).map((p) => (p === second ? { ...p, name: 'Back, longer' } : p));
      k.save('Name', { ...doc, shell: doc.shell && { ...doc.shell, pieces } });
      await settle();
      const named = server.document.shell?.pieces.filter((p) => p.name === 'Back, longer').map((p) => p.id);
      if (removed === 0) {
        expect([named, k.snapshot().clash, k.snapshot().saved]).toEqual([[second?.id], null, true]);
        expect(k.snapshot().told).toMatchObject({ kind: 'merged', label: 'Remove a piece' });
        expect([server.document.shell?.pieces.length, server.sent]).toEqual([2, 2]);
      } else {
        expect([named, k.snapshot().clash?.patch, k.snapshot().saved]).toEqual([[], null, false]);
        k.keepMine();
        await settle();
        expect(server.document.shell?.pieces.map((p) => p.name)).not.toContain('Back, longer');
      }
    }
  });

  test('what is heard of from elsewhere is fetched and told; while something of ours is on its way, afterwards', async () => {
    const { server, k } = made();
    server.elsewhere('Front 80', (d) => {
      d.decisions.facing.front = 80;
    });
    k.hear(1, 'Front 80');
    await settle();
    expect([front(k), k.snapshot().told]).toEqual([
      80,
      expect.objectContaining({ kind: 'elsewhere', label: 'Front 80' }),
    ]);
    // Our own changes are heard of too, and are nothing new.
    k.quiet();
    k.save('Front 81', with_(k.snapshot().doc, 81));
    k.hear(2, 'Front 81');
    await settle();
    expect([front(k), k.snapshot().told, k.snapshot().saved]).toEqual([81, null, true]);
    server.hold = true;
    k.save('Front 82', with_(k.snapshot().doc, 82));
    await settle();
    k.hear(4, 'Six buttons');
    server.hold = false;
    server.held.shift()?.();
    await settle();
    server.elsewhere('Six buttons', (d) => {
      d.decisions.closure.count = 6;
    });
    k.hear(5, 'Six buttons');
    await settle();
    expect([front(k), k.snapshot().doc.decisions.closure.count]).toEqual([82, 6]);
  });

  test('a change that waits for something fetched is not called saved, and is laid on what was done meanwhile', async () => {
    const { k, server } = made();
    let come: (lay: (d: ProjectDocument) => ProjectDocument) => void = () => undefined;
    const brought = k.bring('Choices of the coat', () => new Promise((go) => (come = go)));
    expect(k.snapshot()).toMatchObject({ saved: false, saving: true });
    k.save('Front 91', with_(k.snapshot().doc, 91));
    await settle();
    come((d) => ({ ...d, units: 'in' }));
    await brought;
    await settle();
    expect([server.document.units, server.document.decisions.facing.front]).toEqual(['in', 91]);
    expect(k.snapshot().saved).toBe(true);
    await k.bring('Choices of the dress', () => Promise.reject(new Error('It is gone.')));
    expect(k.snapshot()).toMatchObject({ saved: false, trouble: '"Choices of the dress" was not kept. It is gone.' });
  });

  test('what is made beside, as by an upload, is shown when it is kept, and is no news from elsewhere', async () => {
    const { server, k } = made();
    const upload = (label: string) =>
      k.beside(async () => {
        server.elsewhere(label, (d) => {
          d.name = label;
        });
        k.hear(server.revision, label);
        await settle();
        expect(k.snapshot().doc.name).not.toBe(label);
        return { revision: server.revision };
      });
    await upload('Pattern file');
    expect([k.snapshot().doc.name, k.snapshot().told, k.snapshot().saved]).toEqual(['Pattern file', null, true]);
    await k.beside(() => Promise.reject(new Error('refused'))).catch(() => undefined);
    expect(k.snapshot().told).toBeNull();
  });

  test('no answer: it stays on screen as not saved, and is sent when asked; what is refused is told and taken off', async () => {
    const { server, k } = made();
    server.down = true;
    k.save('Front 90', with_(k.snapshot().doc, 90));
    await settle();
    expect([front(k), k.snapshot().saved, k.snapshot().again]).toEqual([90, false, true]);
    server.down = false;
    k.retry();
    await settle();
    expect([server.document.decisions.facing.front, k.snapshot().saved]).toEqual([90, true]);
    k.save('cannot be', with_(k.snapshot().doc, 99));
    await settle();
    expect(k.snapshot().trouble).toContain('"cannot be" was not kept');
    expect(front(k)).toBe(90);
  });

  test('what could not be sent outlives the page: sent later, merged, or asked about; the same step ticked twice is no clash', async () => {
    const store = new Map<string, string>();
    const storage = {
      ...{ getItem: (k: string) => store.get(k) ?? null, setItem: (k: string, v: string) => store.set(k, v) },
      removeItem: (k: string) => store.delete(k),
    };
    const opened = (server: Server): Keeper => {
      const all = new Proxy(storage, { ownKeys: () => [...store.keys()], getOwnPropertyDescriptor: () => ENUMERABLE });
      return new Keeper('p', server.answer(), server, unsentIn(all as unknown as Storage, `tab${store.size}`));
    };
    const step = (id: string, at: string, state = 'done') => ({
      ...{ id, state, at, minutes: null, redone: 0, code: 'cut', station: 'table', planned: 5, sewn: {}, under: '' },
    });
    const ticked = (d: ProjectDocument, id: string, at: string, state?: string): ProjectDocument => ({
      ...d,
      decisions: {
        ...d.decisions,
        bench: { ...d.decisions.bench, steps: [...d.decisions.bench.steps, step(id, at, state)] } as never,
      },
    });
    const cases: [string, (d: ProjectDocument) => void, boolean][] = [
      ['nothing', () => undefined, false],
      ['another place', (d) => void Object.assign(d.decisions.facing, { back: 71 }), false],
      ['another step', (d) => void d.decisions.bench.steps.push(step('fuse', 'T2') as never), false],
      ['the same step', (d) => void d.decisions.bench.steps.push(step('cut', 'T2') as never), false],
      [
        'the same step otherwise',
        (d) => void d.decisions.bench.steps.push(step('cut', 'T2', 'skipped') as never),
        true,
      ],
    ];
    for (const [what, elsewhere, clash] of cases) {
      store.clear();
      const server = new Server();
      const k = opened(server);
      server.down = true;
      k.save('Cut', ticked(k.snapshot().doc, 'cut', 'T1'));
      await settle();
      expect([what, k.snapshot().again, store.size]).toEqual([what, true, 1]);
      // The page is closed; meanwhile, or not, something is done elsewhere; it is opened again.
      server.down = false;
      if (what !== 'nothing') server.elsewhere(what, elsewhere);
      const later = opened(server);
      await later.resume();
      await settle();
      expect([what, later.snapshot().clash !== null, store.size]).toEqual([what, clash, 0]);
      if (clash) continue;
      const cut = server.document.decisions.bench.steps.filter((s) => s.id === 'cut');
      expect([what, cut.length, cut[0]?.state]).toEqual([what, 1, 'done']);
      if (what === 'another place') expect(server.document.decisions.facing.back).toBe(71);
      if (what === 'another step') expect(server.document.decisions.bench.steps).toHaveLength(2);
    }
    // Still nobody answers: it stays where it is kept.
    store.clear();
    const server = new Server();
    server.down = true;
    const k = opened(server);
    k.save('Cut', ticked(k.snapshot().doc, 'cut', 'T1'));
    await settle();
    server.elsewhere('x', (d) => void Object.assign(d.decisions.facing, { back: 70 }));
    const again = opened(server);
    await again.resume();
    expect(store.size).toBe(1);
  });

  test('undo tells what it undid and where; an undo over somebody else’s change undoes nothing', async () => {
    const { server, k } = made();
    k.save('Front 90', with_(k.snapshot().doc, 90));
    await settle();
    k.walk('undo');
    await settle();
    const { told } = k.snapshot();
    expect(told).toMatchObject({ kind: 'undo', label: 'Front 90' });
    expect(screenOf(told?.paths ?? [])).toBe('inside');
    expect(screenOf(['/shell/pieces/p1/name'])).toBe('pattern');
    expect(screenOf(['/name'])).toBeNull();
    server.elsewhere('Six buttons', (d) => {
      d.decisions.closure.count = 6;
    });
    const before = server.revision;
    k.walk('undo');
    await settle();
    expect(server.revision).toBe(before);
    expect(k.snapshot().trouble).toContain('nothing was undone');
  });
});
