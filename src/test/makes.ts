import { type ProjectDocument } from '../core/document/project.ts';
import { emptyDocument } from '../core/document/usual.ts';
import {
  boxOf,
  compose,
  cubic,
  distance,
  endOf,
  joinBoxes,
  line,
  mapPath,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  reversePath,
  rotation,
  startOf,
  stretch,
  sub,
  translation,
  turn,
} from '../core/geometry/index.ts';
import { importSvg } from '../core/import/index.ts';
import { type CoatFigures, type Drafted, draftCoat, draftSvg } from '../demo/draft.ts';

// Other makes of the coat, drafted from the same figures: princess seams, a two-piece sleeve, raglan, a hood.
const p = (x: number, y: number): Point => ({ x, y });
/** A piece with an upright grainline through its middle. */
function plain(name: string, edges: Path[]): Drafted {
  const box = edges.map(boxOf).reduce(joinBoxes);
  const x = (box.minX + box.maxX) / 2;
  const at = (k: number): Point => p(x, box.minY + (box.maxY - box.minY) * k);
  return { name, text: name, edges, lines: [{ name: `Grainline ${name}`, a: at(0.75), b: at(0.4) }], notches: [] };
}

function documentOf(pieces: Drafted[], figures: CoatFigures): ProjectDocument {
  const read = importSvg(draftSvg(pieces, figures.extension));
  if (!read.ok) throw new Error(JSON.stringify(read.findings));
  const shell = { fileName: 'x.svg', lines: 'seam' as const, pieces: read.value.pieces };
  return { ...emptyDocument('Another coat', 'coat'), shell };
}

/** A front or back parted along a princess seam from the armhole, or from the shoulder, to the hem. */
function parted(d: Drafted, side: string, from: 'armhole' | 'shoulder'): Drafted[] {
  const [centre, neck, shoulder, armhole, sideSeam, hem] = d.edges as [Path, Path, Path, Path, Path, Path];
  const upper = from === 'armhole' ? armhole : shoulder;
  const at = pathLength(upper) * (from === 'armhole' ? 0.4 : 0.72);
  const low = pathLength(hem) * 0.42;
  const [a, h] = [pointAlong(upper, at), pointAlong(hem, low)];
  const seam: Path = [
    cubic(a, from === 'armhole' ? p(a.x - 50, a.y + 45) : p(a.x + 4, a.y + 130), p(h.x, h.y - 380), h),
  ];
  const [head, tail] = [stretch(upper, 0, at), stretch(upper, at, pathLength(upper))];
  const hemMiddle = stretch(hem, low, pathLength(hem));
  const middle =
    from === 'armhole' ? [centre, neck, shoulder, head, seam, hemMiddle] : [centre, neck, head, seam, hemMiddle];
  const rest = from === 'armhole' ? [tail] : [tail, armhole];
  const panel = [reversePath(seam), ...rest, sideSeam, stretch(hem, 0, low)];
  return [{ ...plain(d.name, middle), text: d.text }, plain(`Side ${side}`, panel)];
}

export function princessCoat(figures: CoatFigures, from: 'armhole' | 'shoulder'): ProjectDocument {
  const [front, back, sleeve] = draftCoat(figures) as [Drafted, Drafted, Drafted];
  return documentOf([...parted(front, 'front', from), ...parted(back, 'back', from), sleeve], figures);
}

export function twoPieceCoat(figures: CoatFigures): ProjectDocument {
  const [front, back] = draftCoat(figures) as [Drafted, Drafted, Drafted];
  const round = pathLength(front.edges[3] as Path) + pathLength(back.edges[3] as Path);
  const [w, h, long] = [round * 0.215, round * 0.24, figures.sleeveLength];
  const elbow = (x: number, y: number): Path => [
    cubic(p(x, y), p(x + 14, y + 130), p(x + 10, long - 190), p(x - 34, long)),
  ];
  const forearm = (x: number, y: number): Path => [
    cubic(p(x - 4, long - 12), p(x + 22, long - 180), p(x + 26, y + 140), p(x, y)),
  ];
  const [e, f] = [elbow(w, h), forearm(-w, h + 30)];
  const upper = plain('Upper sleeve', [
    [
      cubic(p(-w, h + 30), p(-w * 0.6, h + 15), p(-w * 0.55, 0), p(0, 0)),
      cubic(p(0, 0), p(w * 0.5, 0), p(w * 0.55, h * 0.95), p(w, h)),
    ],
    e,
    [line(endOf(e), startOf(f))],
    f,
  ]);
  const [e2, f2] = [elbow(w * 0.7, h), forearm(-w * 0.5, h + 30)];
  const under = plain('Under-sleeve', [
    [cubic(p(-w * 0.5, h + 30), p(-w * 0.3, h + 80), p(w * 0.35, h + 72), p(w * 0.7, h))],
    e2,
    [line(endOf(e2), startOf(f2))],
    f2,
  ]);
  return documentOf([front, back, upper, under], figures);
}

/** A path laid so that it starts at `from` and its end lies on the line x = `to`, mirrored or not. */
function laid(path: Path, from: Point, to: Point): Path {
  const m = compose(
    translation(from.x, from.y),
    compose(
      rotation(turn(sub(endOf(path), startOf(path)), sub(to, from))),
      translation(-startOf(path).x, -startOf(path).y),
    ),
  );
  return mapPath(path, m);
}

export function raglanCoat(figures: CoatFigures): ProjectDocument {
  const [front, back] = draftCoat(figures) as [Drafted, Drafted, Drafted];
  const cut = (d: Drafted) => {
    const [centre, neck, , armhole, side, hem] = d.edges as [Path, Path, Path, Path, Path, Path];
    const at = pathLength(neck) * 0.88;
    const [top, under] = [pointAlong(neck, at), endOf(armhole)];
    const seam: Path = [cubic(top, p(top.x + 30, top.y + 70), p(under.x - 75, under.y - 40), under)];
    return { seam, piece: { ...d, notches: [], edges: [centre, stretch(neck, 0, at), seam, side, hem] } };
  };
  const [f, b] = [cut(front), cut(back)];
  const chord = (path: Path): number => distance(startOf(path), endOf(path));
  const low = Math.min(chord(f.seam), chord(b.seam)) * 0.82;
  const width = (path: Path): number => Math.sqrt(chord(path) ** 2 - low ** 2);
  const half = 34;
  const right = laid(f.seam, p(half, 0), p(half + width(f.seam), low));
  const left = laid(
    mapPath(b.seam, { a: -1, b: 0, c: 0, d: 1, e: 0, f: 0 }),
    p(-half, 0),
    p(-half - width(b.seam), low),
  );
  // Both underarm seams lie alike: as far to the wrist in width and height.
  const [l, r] = [endOf(left), endOf(right)];
  const wrist = low + 420;
  const sleeve = plain('Raglan sleeve', [
    [cubic(p(-half, 0), p(-half * 0.4, 12), p(half * 0.4, 12), p(half, 0))],
    right,
    [line(r, p(r.x - 60, wrist))],
    [line(p(r.x - 60, wrist), p(l.x + 60, wrist))],
    [line(p(l.x + 60, wrist), l)],
    reversePath(left),
  ]);
  return documentOf([f.piece, b.piece, sleeve], figures);
}

export function hoodedCoat(figures: CoatFigures): ProjectDocument {
  const hood = plain('Hood', [
    [line(p(0, 340), p(0, 20))],
    [cubic(p(0, 20), p(110, -25), p(265, 20), p(262, 180)), cubic(p(262, 180), p(261, 250), p(240, 300), p(215, 352))],
    [cubic(p(215, 352), p(140, 372), p(70, 362), p(0, 340))],
  ]);
  return documentOf([...draftCoat(figures), hood], figures);
}
