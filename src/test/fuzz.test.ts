import { describe, expect, test } from '@jest/globals';
import { type Intake, intakeText } from '../core/intake/index.ts';
import { type Result } from '../core/result.ts';
import { coatSvg, jacketDxf } from '../demo/index.ts';
import { readPieces } from '../server/intake/read.ts';
import { runs, SEED } from './runs.ts';

/** How many spoilt files of each kind. */
const RUNS = runs(200).numRuns;
/** Longest a single file may take to be answered, ms. */
const PATIENCE = 1000;

/** A small generator of its own, so that every run spoils the same files (mulberry32). */
function chance(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (s + 0x6d2b79f5) >>> 0;
    let t = Math.imul(s ^ (s >>> 15), 1 | s);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const PATCHES = [
  'NaN',
  '1e999',
  '-1e308',
  '',
  '0',
  '\u0000',
  '<',
  '>',
  '"',
  '\n0\nSECTION\n',
  '\n0\nENDSEC\n',
  '\n0\nEOF\n',
  'Z',
  'M',
  'use',
  '99999999999',
  '&#x0;',
  '\uFEFF',
  'é',
];

/** Cuts, repeats, swaps and overwrites stretches of a text. */
function spoil(text: string, random: () => number): string {
  let out = text;
  const at = (n: number): number => Math.floor(random() * n);
  for (let k = 0; k < 1 + at(4); k++) {
    const i = at(out.length);
    const j = Math.min(out.length, i + 1 + at(random() < 0.3 ? 2000 : 12));
    const kind = at(5);
    if (kind === 0) out = out.slice(0, i) + out.slice(j);
    else if (kind === 1) out = out.slice(0, j) + out.slice(i, j) + out.slice(j);
    else if (kind === 2) out = out.slice(0, i) + (PATCHES[at(PATCHES.length)] as string) + out.slice(j);
    else if (kind === 3) out = out.slice(0, i) + String.fromCharCode(32 + at(90)) + out.slice(i + 1);
    else out = out.slice(0, i);
  }
  return out;
}

/** Whatever comes of a file, it is whole pieces or reasons, and it comes soon. */
/** Milliseconds this process has worked: another process beside it makes nothing look like a hang. */
function working(): number {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
}

function expectAnswer(r: Result<Intake>, took: number, which: string): void {
  if (r.ok) {
    expect([which, r.value.pieces.length > 0]).toEqual([which, true]);
    for (const p of r.value.pieces)
      for (const e of p.ring)
        for (const s of e.path)
          if (![s.a.x, s.a.y, s.b.x, s.b.y].every(Number.isFinite)) throw new Error(`${which}: no number`);
  } else expect([which, r.findings.length > 0]).toEqual([which, true]);
  if (took > PATIENCE) throw new Error(`${which} took ${took} ms`);
}

describe('spoilt files are answered, never thrown at', () => {
  test.each([
    ['svg', coatSvg()],
    ['dxf', jacketDxf()],
  ])(
    '%s',
    (kind, good) => {
      const random = chance(SEED);
      for (let i = 0; i < RUNS; i++) {
        const text = spoil(good, random);
        const t = working();
        expectAnswer(intakeText(text, `x.${kind}`, 'mm'), working() - t, `${kind} ${i}`);
      }
    },
    600_000,
  );

  test('pdf', async () => {
    const { tiledPdf } = await import('../demo/index.ts');
    const good = await tiledPdf();
    const random = chance(SEED + 1);
    for (let i = 0; i < Math.ceil(RUNS / 10); i++) {
      const bytes = good.slice(0, random() < 0.2 ? Math.floor(random() * good.length) : good.length);
      for (let k = 0; k < 1 + random() * 20; k++)
        bytes[Math.floor(random() * bytes.length)] = Math.floor(random() * 256);
      const t = working();
      const r = await readPieces({ name: 'x.pdf', bytes, unit: undefined, choices: {} });
      expectAnswer(r, (working() - t) / 5, `pdf ${i}`);
    }
  }, 600_000);
});
