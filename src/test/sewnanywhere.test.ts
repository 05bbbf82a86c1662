import { expect, test } from '@jest/globals';
import { parseDocument } from '../contract/index.ts';
import { calendarOf, paceOf, safeToLeave, tickAll, touchedSteps, usualWeek } from '../core/bench/index.ts';
import { compute, planOf } from '../core/document/compute.ts';
import { type ProjectDocument } from '../core/document/project.ts';
import { planHtml } from '../server/work/planhtml.ts';
import { UNLIKE } from './unlike.ts';

// What is drafted and planned of any garment can be named in what is kept of it, and is sewn like any other.

const AT = '2026-11-30T18:30:00.000Z';

test.each(Object.keys(UNLIKE))(
  '%s: laid, printed, ordered, ticked and measured, it is a project that can be kept',
  (name) => {
    const doc = (UNLIKE[name] as () => ProjectDocument)();
    const x = compute(doc);
    const plan = planOf(doc, x);
    if (!plan.ok) throw new Error(plan.findings[0]?.code);
    const { steps, finishes, making } = plan.value;
    const d = structuredClone(doc.decisions);
    const pieces = x.pieces.map((p) => p.id);
    d.paper.pieces = pieces;
    d.cutting.moved = pieces.map((piece) => ({ piece, cloth: 'shell' }));
    d.cutting.lays = [
      { cloth: 'shell', placed: pieces.map((piece) => ({ piece, copy: 0, turn: 0, mirrored: false, x: 0, y: 0 })) },
    ];
    d.making.order = steps.map((s) => s.id);
    d.making.finishes = Object.fromEntries(finishes.map((f) => [f.seam, f.way]));
    d.bench = tickAll({ steps, cut: x.cutLines, d }, d.making.order, AT);
    d.bench.measured = steps.map((s, i) => ({ id: `m${i}`, step: s.id, at: AT, values: [400] }));
    const kept = parseDocument(JSON.parse(JSON.stringify({ ...doc, decisions: d })));
    expect(kept.ok || kept.problems).toBe(true);
    // Ticked as it is planned, nothing is otherwise than planned.
    expect(touchedSteps(steps, x.cutLines, d)).toEqual([]);
    const asked = { steps, making, log: doc.decisions.bench, pace: paceOf([]), week: usualWeek(), by: null, busy: {} };
    const c = calendarOf({ ...asked, today: '2026-11-30', clock: 0, since: () => 0 });
    const laid = c.sittings.flatMap((s) => s.done.map((w) => w.id));
    expect([...new Set(laid)]).toEqual(['wash', ...steps.map((s) => s.id)]);
    expect(safeToLeave(steps).at(-1)).toBe(true);
  },
);

test('a hem that drops hangs for a day before it is levelled; one along the grain does not', () => {
  // Flared and bias hems hang 24 hours: common practice. The coat with godets flares, trousers do not.
  const waits = (name: string): [string[], number] => {
    const doc = (UNLIKE[name] as () => ProjectDocument)();
    const plan = planOf(doc, compute(doc));
    if (!plan.ok) throw new Error(name);
    const { steps, making } = plan.value;
    const week = { days: Array.from({ length: 7 }, () => ({ from: 600, minutes: 600 })), except: [] };
    const asked = { steps, making, log: doc.decisions.bench, pace: paceOf([]), week, by: null, busy: {} };
    const c = calendarOf({ ...asked, today: '2026-11-30', clock: 0, since: () => 0 });
    const hung = Object.keys(c.waits).filter((id) => c.waits[id] === 'hang');
    const at = (id: string, end: boolean): number => {
      const i = c.sittings.findIndex((s) => s.done.some((w) => w.id === id));
      const w = c.sittings[i]?.done.find((x) => x.id === id);
      return Date.parse(c.sittings[i]?.day ?? '') / 60_000 + (w?.at ?? 0) + (end ? (w?.minutes ?? 0) : 0);
    };
    const hem = steps.find((s) => hung.includes(s.id));
    const before = Math.max(...(hem?.needs ?? []).filter((n) => steps.some((s) => s.id === n)).map((n) => at(n, true)));
    return [hung, hem ? at(hem.id, false) - before : 0];
  };
  const [flared, waited] = waits('coat with a waist seam and godets');
  expect(flared.length).toBeGreaterThan(0);
  expect(waited).toBeGreaterThanOrEqual(24 * 60 - 1e-6);
  expect(waits('trousers lined to the knee')[0]).toEqual([]);
});

test('the page of a plan has every step, the garment and nothing that is no word or number', async () => {
  for (const name of ['coat with a waist seam and godets', 'jacket of unlike fronts', 'romper']) {
    const doc = (UNLIKE[name] as () => ProjectDocument)();
    doc.name = `</script><b>"&${name}`;
    const x = compute(doc);
    const plan = planOf(doc, x);
    const made = await planHtml(x, doc);
    const page = String(made.body);
    expect(page.match(/<article class="step"/g)).toHaveLength(plan.ok ? plan.value.steps.length : 0);
    expect(page).not.toMatch(/NaN|undefined|\[object/);
    // What is typed by the sewist ends no element and begins none.
    expect(page).not.toContain('</script><b>');
    expect(page.match(/<script/g)).toHaveLength(2);
    // Nothing of it is fetched from anywhere.
    expect(page).not.toMatch(/\b(src|href)=/);
  }
});
