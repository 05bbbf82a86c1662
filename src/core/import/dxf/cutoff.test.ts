import { expect, test } from '@jest/globals';
import { jacketDxf } from '../../../demo/index.ts';
import { runs } from '../../../test/runs.ts';
import { importText } from '../index.ts';
import { scanDxf, sniffDxf } from './scan.ts';

const lines = (...groups: [number, string | number][]): string => groups.map(([c, v]) => `${c}\n${v}`).join('\n');
const vertices = (...points: [number, number][]): string =>
  points.map(([x, y]) => lines([0, 'VERTEX'], [8, '1'], [10, x], [20, y])).join('\n');
const oldPolyline = `${lines([0, 'POLYLINE'], [8, '1'], [66, 1], [70, 1])}\n${vertices([0, 0], [300, 0], [300, 500])}\n${lines([0, 'SEQEND'], [8, '1'])}`;
const block = (name: string, body: string): string =>
  `${lines([0, 'BLOCK'], [8, '0'], [2, name], [70, 0], [10, 0], [20, 0])}\n${body}\n${lines([0, 'ENDBLK'], [8, '0'])}`;
const file = (blocks: string[], entities: string[]): string =>
  [
    lines([0, 'SECTION'], [2, 'HEADER'], [9, '$INSUNITS'], [70, 4], [0, 'ENDSEC']),
    lines([0, 'SECTION'], [2, 'TABLES'], [0, 'TABLE'], [2, 'LAYER'], [70, 1], [0, 'LAYER'], [2, '1'], [70, 0], [62, 7]),
    lines([6, 'CONTINUOUS'], [0, 'ENDTAB'], [0, 'ENDSEC'], [0, 'SECTION'], [2, 'BLOCKS']),
    ...blocks,
    lines([0, 'ENDSEC'], [0, 'SECTION'], [2, 'ENTITIES']),
    ...entities,
    lines([0, 'ENDSEC'], [0, 'EOF']),
  ].join('\n');
const insert = (name: string): string => lines([0, 'INSERT'], [8, '1'], [2, name], [10, 40], [20, 10]);
const spline = lines(
  ...([
    [0, 'SPLINE'],
    [8, '1'],
    [70, 8],
    [71, 3],
    [72, 8],
    [73, 4],
  ] as [number, number | string][]),
  ...[0, 0, 0, 0, 1, 1, 1, 1].map((k): [number, number] => [40, k]),
  ...[0, 100, 200, 300].flatMap((x): [number, number][] => [
    [10, x],
    [20, x % 200],
    [30, 0],
  ]),
);
const text = lines([0, 'TEXT'], [8, '15'], [10, 5], [20, 5], [40, 10], [1, 'Piece name: Front']);
/** Old polylines within blocks, blocks within blocks, splines, text, and a file as pattern programs write them. */
const FILES = [
  file(
    [block('FRONT', oldPolyline), block('BACK', `${oldPolyline}\n${oldPolyline}`)],
    [insert('FRONT'), insert('BACK')],
  ),
  file([block('A', insert('B')), block('B', `${oldPolyline}\n${text}`)], [insert('A'), oldPolyline]),
  file([], [oldPolyline, spline, text, lines([0, 'LINE'], [8, '1'], [10, 0], [20, 0], [11, 9], [21, 9])]),
  file([block('C', spline)], [insert('C'), insert('C')]).replaceAll('\n', '\r\n'),
  jacketDxf(),
];

/** The faults by which a parser reads past the end of a file: what was begun and has no end within its section. */
function unended(dxf: string): string[] {
  const faults: string[] = [];
  let [section, polyline, inBlock] = [false, false, false];
  const groups = dxf.split('\n');
  for (let i = 0; i < groups.length; i += 2) {
    if (groups[i] !== '0') continue;
    const kind = groups[i + 1] ?? 'nothing';
    if (polyline && kind !== 'VERTEX' && kind !== 'SEQEND') faults.push(`a polyline before ${kind}`);
    if (kind === 'SECTION' || kind === 'ENDSEC') {
      if (section !== (kind === 'ENDSEC') || inBlock) faults.push(`${kind} at ${i}`);
      section = kind === 'SECTION';
    }
    if (kind === 'POLYLINE' || kind === 'VERTEX') polyline = true;
    if (kind === 'SEQEND') polyline = false;
    if (kind === 'BLOCK' || kind === 'ENDBLK') {
      if (inBlock !== (kind === 'ENDBLK')) faults.push(`${kind} at ${i}`);
      inBlock = kind === 'BLOCK';
    }
  }
  if (groups.at(-1) !== 'EOF' || section || polyline || inBlock) faults.push('no end');
  return faults;
}

test('cut off at any byte a drawing is read as far as it goes, or refused; never is the parser given what has no end', () => {
  const wrong: string[] = [];
  // Every byte by night, every eleventh by day.
  const step = runs(1).numRuns > 1 ? 1 : 11;
  for (const [n, whole] of FILES.entries()) {
    expect(scanDxf(whole).ok).toBe(true);
    for (let i = n; i < whole.length; i += step) {
      const cut = whole.slice(0, i);
      if (sniffDxf(cut)) continue;
      const scanned = scanDxf(cut);
      const faults = scanned.ok ? unended(scanned.value.text) : [];
      if (faults.length) wrong.push(`file ${n} at ${i}: ${faults[0]}`);
      else {
        const r = importText(cut, 'x.dxf');
        expect(r.ok || r.findings.length > 0).toBe(true);
      }
    }
  }
  expect(wrong).toEqual([]);
}, 60_000);
