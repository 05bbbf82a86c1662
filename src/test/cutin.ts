import { type ProjectDocument } from '../core/document/project.ts';
import { type Path } from '../core/geometry/index.ts';
import { documentOf, piece } from '../demo/drawn.ts';
import { sleeve } from './sleeves.ts';

// Garments whose cloth is opened where no seam is, or beside one. Made up.

/** A jacket with a vent in either side seam, 160 long: front and back each have an extension 40 wide there. */
export function sideVents(): ProjectDocument {
  return documentOf({
    name: 'Side vents',
    garment: 'jacket',
    pieces: [
      piece(
        'Front',
        'front',
        [-18, 700],
        [
          ['front-edge', -18, 90],
          ['neckline', 50, 90, 75, 50, 80, 0],
          ['shoulder', 200, 40],
          ['armhole', 180, 120, 190, 180, 240, 210],
          ['side', 236, 360, 244, 450, 244, 540],
          ['vent-top', 284, 552],
          ['vent', 284, 700],
          ['hem', -18, 700],
        ],
      ),
      piece(
        'Back',
        'back',
        [0, 690],
        [
          ['centre-back', 0, 12],
          ['neckline', 40, 12, 70, 0, 78, -10],
          ['shoulder', 198, 34],
          ['armhole', 175, 100, 180, 160, 190, 200],
          ['side', 186, 350, 194, 440, 194, 530],
          ['vent-top', 234, 542],
          ['vent', 234, 690],
          ['hem', 0, 690],
        ],
        'cut 1 on the fold',
      ),
      sleeve(96, 28),
    ],
  });
}

/** A closed oval of four curves, mm: what an armhole cut in looks like. */
export function oval(x: number, y: number, wide: number, high: number): Path {
  const k = 0.5523;
  const at = (u: number, v: number) => ({ x: x + u * wide, y: y + v * high });
  const quarter = (
    u: [number, number],
    v: [number, number],
    w: [number, number],
    z: [number, number],
  ): Path[number] => ({
    k: 'C',
    a: at(...u),
    c: at(...v),
    d: at(...w),
    b: at(...z),
  });
  return [
    quarter([0, -1], [k, -1], [1, -k], [1, 0]),
    quarter([1, 0], [1, k], [k, 1], [0, 1]),
    quarter([0, 1], [-k, 1], [-1, k], [-1, 0]),
    quarter([-1, 0], [-1, -k], [-k, -1], [0, -1]),
  ];
}

/** A cover-up cut in one piece from front edge to front edge, its back on the fold, armholes cut in, corners square. */
export function coverUp(): ProjectDocument {
  const doc = documentOf({
    name: 'Cover-up',
    garment: 'jacket',
    pieces: [
      piece(
        'Cover-up',
        'back',
        [0, 720],
        [
          ['centre-back', 0, 0],
          ['neckline', 620, 0],
          ['front-edge', 620, 720],
          ['hem', 0, 720],
        ],
        'cut 1 on the fold',
      ),
    ],
  });
  const [p] = doc.shell?.pieces ?? [];
  p?.lines.push({ kind: 'opening', role: 'armhole', path: oval(250, 210, 70, 115) });
  Object.assign(doc.decisions.lining, { on: false });
  doc.decisions.facing.bands.armhole = 40;
  doc.decisions.closure.on = false;
  return doc;
}
