import { DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { flatten, type Path, type Point } from '../geometry/index.ts';
import { plainName } from '../text.ts';
import { type Item, type Sheet, type Stroke } from './items.ts';

/** How far a polyline may stray from the curve it stands for, mm. */
const STRAY = 0.02;
/** What nearer points are one, mm. */
const CLOSED = 0.001;

/** Layers by the numbers of the published pattern-exchange convention (ASTM D6673, from memory), or by what is on them. */
export type DxfLayers = 'numbers' | 'names';

const NUMBERS: Record<Stroke | 'text', string> = {
  ...{ cut: '1', notch: '4', fold: '6', grain: '7', inner: '8', frame: '8', mark: '13', seam: '14', text: '15' },
};

const white = 7;

/** DXF has y upward. */
const up = ({ x, y }: Point) => point2d(x, -y);

/** The lines of a sheet; the seam line of a piece as one ring, its fold in it as well as by itself. */
function chained(items: readonly Item[]): { path: Path; stroke: Stroke }[] {
  const out: { path: Path; stroke: Stroke }[] = [];
  let seam: Path | null = null;
  for (const i of items) {
    if (i.kind !== 'path' || !i.path.length) continue;
    if (i.stroke !== 'seam') out.push({ path: i.path, stroke: i.stroke });
    if (i.stroke !== 'seam' && i.stroke !== 'fold') continue;
    const [end, start] = [seam?.at(-1)?.b, i.path[0]?.a];
    if (seam && end && start && end.x === start.x && end.y === start.y) seam.push(...i.path);
    else {
      seam = [...i.path];
      out.push({ path: seam, stroke: 'seam' });
    }
  }
  return out;
}

/** Names of blocks: letters, digits, dashes, each once. */
function blockNames(sheets: readonly Sheet[]): string[] {
  const taken = new Set<string>();
  return sheets.map((s) => {
    const bare =
      s.name
        .normalize('NFKD')
        .replace(/[^\w ,.()-]+/g, '')
        .trim()
        .slice(0, 60) || 'PIECE';
    let name = bare;
    for (let k = 2; taken.has(name.toUpperCase()); k++) name = `${bare} ${k}`;
    taken.add(name.toUpperCase());
    return name;
  });
}

/**
 * Sheets as an ASCII DXF drawing in millimetres, y upward: each a block of its own, set in where it lies. Curves become polylines that
 * stray at most 0.02 mm; words stand where they stand on paper.
 */
export function dxfOf(sheets: readonly Sheet[], layers: DxfLayers = 'numbers'): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  const layerOf = (s: Stroke | 'text'): string => (layers === 'numbers' ? NUMBERS[s] : s);
  for (const name of new Set((Object.keys(NUMBERS) as (Stroke | 'text')[]).map(layerOf)))
    dxf.addLayer(name, white, 'Continuous');
  const names = blockNames(sheets);
  for (const [k, s] of sheets.entries()) {
    const name = names[k] as string;
    const block = dxf.addBlock(name);
    for (const { path, stroke } of chained(s.items)) {
      const points = flatten(path, STRAY);
      const [a, b] = [points[0], points.at(-1)] as [Point, Point];
      const closed = points.length > 3 && Math.hypot(a.x - b.x, a.y - b.y) < CLOSED;
      block.addLWPolyline(
        (closed ? points.slice(0, -1) : points).map((p) => ({ point: up(p) })),
        { flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None, layerName: layerOf(stroke) },
      );
    }
    for (const i of s.items)
      if (i.kind === 'text')
        block.addText(point3d(i.at.x, -i.at.y), i.size, plainName(i.text, i.text.length), {
          layerName: layerOf('text'),
          ...(i.upward && { rotation: 90 }),
        });
    dxf.addInsert(block.name, point3d(0, 0), { layerName: layerOf('cut') });
  }
  return dxf.stringify();
}
