import { describe, expect, test } from '@jest/globals';
import { type Imported, importText } from '../core/import/index.ts';
import { type Result } from '../core/result.ts';
import { coatSvg, jacketDxf } from '../demo/index.ts';
import { readPieces } from '../server/import/read.ts';
import { runs, SEED } from './runs.ts';
import { chance, spoil, spoilBytes } from './spoil.ts';

/** How many spoilt files of each kind. */
const RUNS = runs(100).numRuns;
/** Longest a single file may take to be answered, ms. */
const PATIENCE = 1000;

/** Milliseconds this process has worked: another process beside it makes nothing look like a hang. */
function working(): number {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
}

/** Whatever comes of a file, it is whole pieces or reasons, and it comes soon. */
function expectAnswer(r: Result<Imported>, took: number, which: string): void {
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
        expectAnswer(importText(text, `x.${kind}`, 'mm'), working() - t, `${kind} ${i}`);
      }
    },
    600_000,
  );

  test('pdf', async () => {
    const { tiledPdf } = await import('../demo/index.ts');
    const good = await tiledPdf();
    const random = chance(SEED + 1);
    for (let i = 0; i < Math.ceil(RUNS / 10); i++) {
      const bytes = spoilBytes(good, random);
      const t = working();
      const r = await readPieces({ name: 'x.pdf', bytes, unit: undefined, choices: {} });
      expectAnswer(r, (working() - t) / 5, `pdf ${i}`);
    }
  }, 600_000);
});
