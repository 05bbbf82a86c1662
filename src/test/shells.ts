import fc from 'fast-check';
import { type ProjectDocument, type Shell, type ShellPiece } from '../core/document/project.ts';
import { emptyDocument } from '../core/document/usual.ts';
import { type Affine, apply, mapPath } from '../core/geometry/index.ts';
import { importSvg } from '../core/import/index.ts';
import { type Piece, shellPieces } from '../core/pattern/index.ts';
import { type CoatFigures, draftCoat, draftSvg, GREENHOUSE_COAT } from '../demo/draft.ts';

/** Plausible coats from size 6 to 26, cropped to long, narrow to flared. */
export const coatFigures: fc.Arbitrary<CoatFigures> = fc
  .record({
    bust: fc.double({ min: 760, max: 1320, noNaN: true }),
    ease: fc.double({ min: 90, max: 260, noNaN: true }),
    length: fc.double({ min: 620, max: 1280, noNaN: true }),
    neckWidth: fc.double({ min: 68, max: 98, noNaN: true }),
    frontNeckDepth: fc.double({ min: 70, max: 130, noNaN: true }),
    shoulder: fc.double({ min: 110, max: 150, noNaN: true }),
    shoulderSlope: fc.double({ min: 0.22, max: 0.42, noNaN: true }),
    armholeDepth: fc.double({ min: 205, max: 280, noNaN: true }),
    flare: fc.double({ min: 0, max: 70, noNaN: true }),
    extension: fc.double({ min: 18, max: 40, noNaN: true }),
    sleeveLength: fc.double({ min: 520, max: 680, noNaN: true }),
    wrist: fc.double({ min: 260, max: 340, noNaN: true }),
    capEase: fc.double({ min: 21, max: 39, noNaN: true }),
    shoulderEase: fc.double({ min: 0, max: 9, noNaN: true }),
  })
  .map(plausible);

/** No body's shoulder reaches beyond its armhole. */
function plausible(f: CoatFigures): CoatFigures {
  const quarter = (f.bust + f.ease) / 4 - 4;
  return { ...f, shoulder: Math.min(f.shoulder, quarter - f.neckWidth - 35) };
}

/** The coat with its back on the fold, no vent. */
export const PLAIN_COAT: CoatFigures = (({ vent: _, ...figures }) => figures)(GREENHOUSE_COAT);

/** The coat read from its own SVG, as a user's file would be. */
export function shellOf(figures: CoatFigures = PLAIN_COAT): Shell {
  const read = importSvg(draftSvg(draftCoat(figures), figures.extension));
  if (!read.ok) throw new Error(`the draft is not readable: ${JSON.stringify(read.findings)}`);
  return { fileName: 'draft.svg', lines: 'seam', pieces: read.value.pieces };
}

export function coatDocument(figures: CoatFigures = PLAIN_COAT): ProjectDocument {
  return { ...emptyDocument('Test coat', 'coat'), shell: shellOf(figures) };
}

export function piecesOf(doc: ProjectDocument): Piece[] {
  return doc.shell ? shellPieces(doc.shell, doc.decisions.allowances).pieces : [];
}

/** The shell moved by an affine map that keeps lengths. A mirroring map turns each ring round, as a mirrored file would. */
export function mapShell(shell: Shell, m: Affine): Shell {
  const mirrored = m.a * m.d - m.b * m.c < 0;
  const piece = (p: ShellPiece): ShellPiece => {
    const ring = p.ring.map((e) => ({ ...e, path: mapPath(e.path, m) }));
    const turned = mirrored
      ? [...ring].reverse().map((e) => ({
          ...e,
          path: e.path
            .map((s) => (s.k === 'L' ? { ...s, a: s.b, b: s.a } : { ...s, a: s.b, c: s.d, d: s.c, b: s.a }))
            .reverse(),
        }))
      : ring;
    return {
      ...p,
      ring: turned,
      grain: { a: apply(m, p.grain.a), b: apply(m, p.grain.b) },
      lines: p.lines.map((l) => ({ ...l, path: mapPath(l.path, m) })),
      notches: [],
    };
  };
  return { ...shell, pieces: shell.pieces.map(piece) };
}
