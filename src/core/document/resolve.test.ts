import { expect, test } from '@jest/globals';
import { type Decisions, usualDecisions } from './project.ts';
import { resolveDecisions } from './resolve.ts';
import { takenOver } from './takeover.ts';

const chosen = (change: (d: Decisions) => void): Decisions => {
  const d = usualDecisions();
  change(d);
  return resolveDecisions(d);
};

test('choices that say nothing of each other stay as they are, the very same', () => {
  const d = usualDecisions();
  expect(resolveDecisions(d)).toBe(d);
});

test('an edge that is faced, sewn to a rib or to the other layer has a seam and no hem; a narrower hem stays', () => {
  const at = (change: (d: Decisions) => void) => chosen(change).allowances;
  expect(at((d) => Object.assign(d.facing.bands, { hem: 60 }))).toEqual({ seam: 15, hem: 15, wrist: 40 });
  expect(at((d) => Object.assign(d.lining.wrist, { kind: 'rib' }))).toEqual({ seam: 15, hem: 40, wrist: 15 });
  expect(at((d) => Object.assign(d.lining.hem, { kind: 'edge' }))).toEqual({ seam: 15, hem: 15, wrist: 40 });
  const narrow = at((d) => {
    d.allowances.hem = 6;
    d.lining.hem.kind = 'rib';
  });
  expect(narrow.hem).toBe(6);
  // A facing that is left out leaves the hem a hem.
  const unfaced = at((d) => {
    d.facing.on = false;
    d.facing.bands.hem = 60;
  });
  expect(unfaced.hem).toBe(40);
});

test('worn on both sides: no facing, nothing raised, smaller or pleated, every edge a seam; unlined it means nothing', () => {
  const d = chosen((x) => {
    Object.assign(x.lining, { self: true, zip: { ...x.lining.zip, length: 300 }, body: false });
  });
  expect(d.facing.on).toBe(false);
  expect(d.lining).toMatchObject({ pleat: 0, raise: 0, out: 0, smaller: 0, darts: 'sewn', body: true, sleeves: true });
  expect([d.lining.zip.length, d.lining.slit.length]).toEqual([0, 0]);
  expect([d.lining.hem.kind, d.lining.wrist.kind]).toEqual(['edge', 'edge']);
  expect(d.allowances).toEqual({ seam: 15, hem: 15, wrist: 15 });
  const unlined = chosen((x) => Object.assign(x.lining, { self: true, on: false }));
  expect([unlined.facing.on, unlined.lining.pleat]).toEqual([true, 30]);
});

test('choices taken over from another project leave what is said of this pattern: its pieces and edges are no other one’s', () => {
  const [own, other] = [usualDecisions(), usualDecisions()];
  own.reallowed = [{ piece: 'p1', edge: 'e1', allowance: 6 }];
  other.reallowed = [{ piece: 'p1', edge: 'e4', allowance: 0 }];
  other.caps = [{ piece: 'p3', way: 'lifted', ease: 20 }];
  other.strips = [{ id: 's1', kind: 'tie', name: 'Tie', count: 2, length: 9, width: 9, ratio: 1, hem: 0, to: null }];
  other.interfacing.regions = [{ piece: 'p2', edge: 'e2', width: 25, on: 'shell' }];
  Object.assign(other.facing, { front: 99 });
  const made = takenOver(own, other);
  expect([made.facing.front, made.interfacing.trim]).toEqual([99, other.interfacing.trim]);
  expect([made.reallowed, made.caps, made.strips, made.interfacing.regions]).toEqual([own.reallowed, [], [], []]);
});
