import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compute } from '../core/document/compute.ts';
import { type ProjectDocument } from '../core/document/project.ts';
import { emptyDocument } from '../core/document/usual.ts';
import { mapPath, type Path, reversePath } from '../core/geometry/index.ts';
import { importSvg } from '../core/import/index.ts';
import { halveWhole, isDrawnWhole, ringAreaOf } from '../core/pattern/index.ts';
import { type Drafted, draftCoat, draftSvg } from '../demo/draft.ts';
import { cureOf } from '../web/words/cures.ts';
import { runs } from './runs.ts';
import { coatFigures, PLAIN_COAT } from './shells.ts';

const MIRROR = { a: -1, b: 0, c: 0, d: 1, e: 0, f: 0 };
const mirrored = (path: Path): Path => reversePath(mapPath(path, MIRROR));

/** A half whose centre lies on x = 0 drawn whole, or with its other half let out by so much at the hem. */
function whole(d: Drafted, wider = 0): Drafted {
  const [, neck, shoulder, armhole, side, hem] = d.edges as [Path, Path, Path, Path, Path, Path];
  const skew = { a: 1, b: 0, c: -wider / 1000, d: 1, e: 0, f: 0 };
  const other = [hem, side, armhole, shoulder, neck].map((e) => mapPath(mirrored(e), skew));
  const [hem2, side2, armhole2, shoulder2, neck2] = other as [Path, Path, Path, Path, Path];
  return {
    ...d,
    name: d.name,
    text: d.name,
    edges: [[...neck2, ...neck], shoulder, armhole, side, [...hem, ...hem2], side2, armhole2, shoulder2],
    notches: [],
  };
}

function read(pieces: Drafted[]): ProjectDocument {
  const found = importSvg(draftSvg(pieces, 400));
  if (!found.ok) throw new Error(JSON.stringify(found.findings));
  const shell = { fileName: 'x.svg', lines: 'seam' as const, pieces: found.value.pieces };
  return { ...emptyDocument('Whole', 'dress'), shell };
}

describe('a piece drawn whole', () => {
  test('is known as such, told, and halved by its cure: lined as the half that was drawn', () => {
    fc.assert(
      fc.property(coatFigures, (figures) => {
        const [, back, sleeve] = draftCoat(figures) as [Drafted, Drafted, Drafted];
        const doc = read([whole(back), sleeve]);
        const drawn = doc.shell?.pieces[0];
        expect(drawn?.ring.map((e) => e.role)).toEqual([
          'neckline',
          'shoulder',
          'armhole',
          'side',
          'hem',
          'side',
          'armhole',
          'shoulder',
        ]);
        expect(drawn?.count).toBe(1);
        const told = compute(doc).findings.find((f) => f.code === 'drawn-whole');
        expect(told?.where?.piece).toBe('p1');
        expect(compute(doc).inside.some((p) => p.parent === 'p1')).toBe(false);
        const cure = told && cureOf(told, doc);
        if (!cure) throw new Error('no cure');
        const half = cure.next.shell?.pieces[0];
        expect(half?.ring.map((e) => e.role)).toEqual([
          'centre-back',
          'neckline',
          'shoulder',
          'armhole',
          'side',
          'hem',
        ]);
        const [c, plain] = [compute(cure.next), compute(read([back, sleeve]))];
        for (const id of ['p1', 'back-facing', 'back-lining']) {
          const [a, b] = [c, plain].map((x) => x.pieces.find((p) => p.id === id));
          expect([id, a?.cut]).toEqual([id, b?.cut]);
          expect(Math.abs(ringAreaOf(a?.ring ?? []) / ringAreaOf(b?.ring ?? []) - 1)).toBeLessThan(1e-4);
        }
        expect(c.findings.map((f) => f.code)).not.toContain('drawn-whole');
      }),
      runs(15),
    );
  });

  test('with unlike halves it is refused by how much they differ; a half is not halved again', () => {
    const [, back] = draftCoat(PLAIN_COAT) as [Drafted, Drafted];
    const [skewed] = read([whole(back, 30)]).shell?.pieces ?? [];
    const [half] = read([back]).shell?.pieces ?? [];
    if (!skewed || !half) throw new Error('not read');
    expect(isDrawnWhole(skewed)).toBe(true);
    const refused = halveWhole(skewed);
    expect(refused.ok ? [] : refused.findings.map((f) => f.code)).toEqual(['halves-unlike']);
    expect(halveWhole(half)).toMatchObject({ ok: false, findings: [{ code: 'not-whole' }] });
  });
});
