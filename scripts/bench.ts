// Ratios, not times: how much of a frame a re-derive takes, our offset against the clipping library alone, pages against
// the least area could do with. Built and run by bench.mjs.

import { calendarOf, paceOf, tickAll, touchedSteps, usualWeek } from '../src/core/bench/index.ts';
import { emptyBench } from '../src/core/bench/log.ts';
import { deriveClosure, place } from '../src/core/closure/index.ts';
import { search } from '../src/core/closure/search.ts';
import { compute, taskOf } from '../src/core/document/compute.ts';
import { CLOSING_ONLY, type ProjectDocument } from '../src/core/document/project.ts';
import { proofOf } from '../src/core/document/proof/index.ts';
import { emptyDocument } from '../src/core/document/usual.ts';
import { flatten, inflate, offsetPath, type Path, ringsArea } from '../src/core/geometry/index.ts';
import { importSvg } from '../src/core/import/index.ts';
import { outlineOfSheet, PAPERS, pageStep, sheetsFor, tile } from '../src/core/output/index.ts';
import { putOnPages } from '../src/core/output/onpages.ts';
import { flatRing, outlineOf } from '../src/core/pattern/index.ts';
import { checkPlan, compareMethods, EXTRA_IDS, makePlan } from '../src/core/plan/index.ts';
import { coatSvg, greenhouseCoat, seedHallDress } from '../src/demo/index.ts';
import { goredDress } from '../src/test/gores.ts';

const FRAME = 16;

/** Median of the times of many runs, ms; the first tenth only warms up. */
function median(runs: number, work: (i: number) => void): number {
  const times: number[] = [];
  for (let i = 0; i < runs; i++) {
    const t = performance.now();
    work(i);
    if (i >= runs / 10) times.push(performance.now() - t);
  }
  times.sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)] as number;
}

const line = (words: string, ratio: number, of: string): void =>
  console.log(`${words.padEnd(58)} ${ratio.toFixed(2).padStart(7)}  ${of}`);

const made = greenhouseCoat();
if (!made.ok) throw new Error('the demo coat cannot be read');
const coat: ProjectDocument = made.value;
/** The document with the slider a hair further, as while it is dragged: the shell is the same object. */
const slid = (i: number): ProjectDocument => ({
  ...coat,
  decisions: { ...coat.decisions, facing: { ...coat.decisions.facing, front: 70 + (i % 40) * 0.75 } },
});
/** A whole coat from nothing: the shell is new each time, so that nothing is remembered of it. */
const afresh = (i: number): ProjectDocument => ({ ...slid(i), shell: structuredClone(coat.shell) });

line('re-derive the coat while a slider moves', median(200, (i) => compute(slid(i))) / FRAME, `of a ${FRAME} ms frame`);
line('derive the whole coat from nothing', median(200, (i) => compute(afresh(i))) / FRAME, `of a ${FRAME} ms frame`);
const dressed = seedHallDress();
if (!dressed.ok) throw new Error('the demo dress cannot be read');
const dress: ProjectDocument = dressed.value;
const zipped = (i: number): ProjectDocument => ({
  ...dress,
  decisions: { ...dress.decisions, facing: { ...dress.decisions.facing, back: 50 + (i % 40) * 0.5 } },
});
line(
  're-derive the dress while a slider moves',
  median(200, (i) => compute(zipped(i))) / FRAME,
  `of a ${FRAME} ms frame`,
);
line(
  'derive the whole dress from nothing',
  median(200, (i) => compute({ ...zipped(i), shell: structuredClone(dress.shell) })) / FRAME,
  `of a ${FRAME} ms frame`,
);
const gores = goredDress();
const slidGores = (i: number): ProjectDocument => ({
  ...gores,
  decisions: { ...gores.decisions, facing: { ...gores.decisions.facing, front: 70 + (i % 40) * 0.75 } },
});
line(
  're-derive a dress of forty panels while a slider moves',
  median(80, (i) => compute(slidGores(i))) / 33,
  'of 33 ms',
);
line(
  'look the whole coat over (the proof)',
  median(60, () => proofOf(compute(coat))) / FRAME,
  `of a ${FRAME} ms frame`,
);
const svg = coatSvg();
line('read the coat from its drawing', median(60, () => importSvg(svg)) / FRAME, `of a ${FRAME} ms frame`);

/** The coat with all that can be added to it, hung free and mitred: as many operations as a coat may have. */
const laden: ProjectDocument = structuredClone(coat);
laden.decisions.lining.hem.kind = 'free';
laden.decisions.lining.wrist.kind = 'free';
laden.decisions.making.extras = [...EXTRA_IDS];
laden.decisions.making.methods = { corner: 'mitred', facing: 'topstitched' };
const task = taskOf(laden, compute(laden));
const planned = makePlan(task, laden.decisions.making);
if (!planned.ok) throw new Error(JSON.stringify(planned.findings));
const { steps, making } = planned.value;
line(
  `order a coat of ${steps.length} operations, and prove it`,
  median(20, () => makePlan(task, laden.decisions.making)) / 1000,
  'of a second',
);
line('prove its order anew', median(40, () => checkPlan(steps, making)) / FRAME, `of a ${FRAME} ms frame`);
const sewing = { steps, making, log: emptyBench(), pace: paceOf([]), week: usualWeek(), busy: {}, since: () => 0 };
line(
  'lay its sittings, with what would help',
  median(10, () => calendarOf({ ...sewing, today: '2026-11-30', clock: 0, by: '2026-12-05' })) / 1000,
  'of a second',
);
const { cutLines } = compute(laden);
const ticks = { steps, cut: cutLines, d: laden.decisions };
const sewn = {
  ...laden.decisions,
  bench: tickAll(
    ticks,
    steps.map((x) => x.id),
    '2026-11-30T18:30:00.000Z',
  ),
};
line(
  'look what of it is sewn otherwise',
  median(40, () => touchedSteps(steps, cutLines, sewn)) / FRAME,
  `of a ${FRAME} ms frame`,
);
line(
  'compare the ways of making one part of it',
  median(8, () => compareMethods(task, laden.decisions.making, 'facing')) / 1000,
  'of a second',
);

/** Twelve buttons on a long coat: belt and pocket to keep clear of, a button wanted at the bust. */
const long = emptyDocument('Long coat', CLOSING_ONLY);
Object.assign(long.decisions.closure, {
  length: 1100,
  by: 'count',
  count: 12,
  diameter: 20,
  waist: { keepClear: true, at: 450, belt: 45 },
  keep: [{ code: 'pocket', at: 640, width: 4 }],
  bust: { want: 'near', own: false, at: 255, body: 0, garment: 0 },
});
for (const rounding of ['round', 'fine'] as const) {
  const closure = { ...long.decisions.closure, rounding };
  const d = { ...long.decisions, closure };
  const known = deriveClosure([], d);
  if (!known.ok) throw new Error(JSON.stringify(known.findings));
  const { problem } = known.value;
  const words = rounding === 'round' ? '5 mm' : '1 mm';
  line(`the best places of 12 buttons in steps of ${words}`, median(60, () => search(problem)) / 5, 'of 5 ms');
  line(
    `three answers for them, in steps of ${words}`,
    median(30, () => place(problem)) / FRAME,
    `of a ${FRAME} ms frame`,
  );
}

const front = compute(coat).shell[0];
if (!front) throw new Error('no front');
const outline: Path = outlineOf(front.ring);
const ring = flatRing(front.ring);
const ours = median(400, () => front.ring.map((e) => offsetPath(e.path, 15)));
const theirs = median(400, () => inflate([ring], 15));
line(
  `offset of the front, true curves (${ring.length} chords)`,
  ours / theirs,
  'of the clipping library on its chords',
);
line('flattening the front', median(400, () => flatten(outline)) / theirs, 'of the clipping library on its chords');

for (const name of ['a4', 'letter'] as const) {
  const x = compute(coat);
  const paper = PAPERS[name];
  const sheets = sheetsFor(x, null, true);
  const began = performance.now();
  const pages = tile(sheets, paper, putOnPages(sheets, paper)).tiles.length;
  const seconds = ((performance.now() - began) / 1000).toFixed(1);
  // What a page adds to its neighbours, and the cut lines of what is printed.
  const step = pageStep(paper);
  const area = sheets.reduce((s, q) => s + ringsArea([outlineOfSheet(q, 0.1)]), 0);
  line(
    `pages of ${name} for the whole coat (${pages}, in ${seconds} s)`,
    pages / (area / (step.x * step.y)),
    'of the area bound',
  );
}
