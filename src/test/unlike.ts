import { type ProjectDocument, type ShellEdge } from '../core/document/project.ts';
import { endOf, line, mapPath, type Path, pathLength, reversePath, startOf } from '../core/geometry/index.ts';
import { laidLine } from '../core/pattern/index.ts';
import { type Drawn, documentOf, piece } from '../demo/drawn.ts';
import { WARDROBE } from '../demo/wardrobe.ts';
import { coverUp, sideVents } from './cutin.ts';
import { goredDress } from './gores.ts';
import { hoodedCoat, raglanCoat } from './makes.ts';
import { PLAIN_COAT } from './shells.ts';
import { SLEEVE, sleeve } from './sleeves.ts';

// Garments beyond one front and one back: more panels, unlike halves, yokes in front. Made up.

const back = (seam: 'panel-seam' | 'side', x = 190): Drawn =>
  piece(
    'Back',
    'back',
    [0, 690],
    [
      ['centre-back', 0, 22],
      ['neckline', 40, 22, 70, 10, 78, 0],
      ['shoulder', 198, 44],
      ['armhole', 175, 110, 180, 170, x, 200],
      [seam, x - 5, 350, x + 5, 500, x + 10, 690],
      ['hem', 0, 690],
    ],
    'cut 1 on the fold',
  );

/** A jacket of front, side panel and back: both seams of the panel are panel seams, its armhole goes over three pieces. */
function threePanels(): ProjectDocument {
  return documentOf({
    name: 'Three panels',
    garment: 'jacket',
    pieces: [
      piece(
        'Front',
        'front',
        [-20, 700],
        [
          ['front-edge', -20, 90],
          ['neckline', 50, 90, 75, 50, 80, 0],
          ['shoulder', 200, 40],
          ['armhole', 180, 120, 190, 180, 205, 200],
          ['panel-seam', 190, 350, 200, 500, 215, 690],
          ['hem', -20, 700],
        ],
      ),
      piece(
        'Side panel',
        'other',
        [10, 690],
        [
          ['panel-seam', -5, 500, -15, 350, 0, 200],
          ['armhole', 20, 225, 90, 225, 110, 200],
          ['panel-seam', 115, 350, 105, 500, 100, 690],
          ['hem', 10, 690],
        ],
      ),
      back('panel-seam'),
      SLEEVE,
    ],
  });
}

/** A jacket whose left front laps over and is wider than the right one; each is cut once. */
function unlikeFronts(): ProjectDocument {
  const front = (name: string, lap: number, way: 1 | -1): Drawn => {
    const x = (v: number): number => way * v;
    const down: Parameters<typeof piece>[3] = [
      ['neckline', x(50), 90, x(75), 50, x(80), 0],
      ['shoulder', x(200), 40],
      ['armhole', x(180), 120, x(190), 180, x(240), 210],
      ['side', x(235), 360, x(245), 510, x(250), 700],
      ['hem', x(-lap), 700],
    ];
    const up: Parameters<typeof piece>[3] = [
      ['hem', x(250), 700],
      ['side', x(245), 510, x(235), 360, x(240), 210],
      ['armhole', x(190), 180, x(180), 120, x(200), 40],
      ['shoulder', x(80), 0],
      ['neckline', x(75), 50, x(50), 90, x(-lap), 90],
      ['front-edge', x(-lap), 700],
    ];
    return way === 1
      ? piece(name, 'front', [x(-lap), 700], [['front-edge', x(-lap), 90], ...down])
      : piece(name, 'front', [x(-lap), 700], up);
  };
  const doc = documentOf({
    name: 'Unlike fronts',
    garment: 'jacket',
    pieces: [front('Left front', 110, 1), front('Right front', 15, -1), back('side', 190), sleeve(96, 28)],
  });
  for (const p of doc.shell?.pieces ?? []) if (p.kind === 'front') p.count = 1;
  return doc;
}

/** A shirt with a yoke in front, what hangs from it half as wide again and gathered. */
function frontYoke(): ProjectDocument {
  return documentOf({
    name: 'Front yoke',
    garment: 'shirt',
    pieces: [
      piece(
        'Front yoke',
        'other',
        [-16, 150],
        [
          ['front-edge', -16, 90],
          ['neckline', 50, 90, 75, 50, 80, 0],
          ['shoulder', 200, 40],
          ['armhole', 190, 80, 185, 120, 185, 150],
          ['yoke-seam', -16, 150],
        ],
      ),
      piece(
        'Lower front',
        'front',
        [-16, 700],
        [
          ['front-edge', -16, 150],
          ['yoke-seam', 285, 150],
          ['armhole', 285, 170, 300, 195, 320, 205],
          ['side', 315, 355, 325, 505, 330, 690],
          ['hem', -16, 700],
        ],
      ),
      back('side'),
      SLEEVE,
    ],
  });
}

/** A dress with one shoulder and a cut-out at one side, front and back each drawn whole and cut once. */
function oneShoulder(): ProjectDocument {
  const whole = (name: string, kind: 'front' | 'back', low: number): Drawn =>
    piece(
      name,
      kind,
      [-250, 900],
      [
        ['side', -232, 560, -225, 400, -236, 240],
        ['neckline', -150, 210 + low, 0, 120 + low, 86, 0],
        ['shoulder', 170, 30],
        ['armhole', 160, 110, 180, 220, 238, 228],
        ['side', 232, 280, 230, 300, 230, 330],
        ['cut-out', 170, 380, 170, 420, 229, 470],
        ['side', 236, 560, 244, 700, 250, 900],
        ['hem', -250, 900],
      ],
      'cut 1',
    );
  const doc = documentOf({
    name: 'One shoulder',
    garment: 'dress',
    pieces: [whole('Front', 'front', 20), whole('Back', 'back', 0)],
  });
  const back = doc.shell?.pieces[1];
  // The back is seen from behind: the other way round.
  const over = { a: -1, b: 0, c: 0, d: 1, e: 1600, f: 0 };
  if (back && doc.shell)
    doc.shell.pieces[1] = {
      ...back,
      ring: back.ring.map((e) => ({ ...e, path: reversePath(mapPath(e.path, over)) })).reverse(),
      grain: { a: { x: 800, y: 600 }, b: { x: 800, y: 300 } },
    };
  doc.decisions.closure.on = false;
  doc.decisions.lining.pleat = 0;
  return doc;
}

/** A waistcoat of shoulder-princess panels, sleeveless. */
function princessWaistcoat(): ProjectDocument {
  const panels = (back: boolean): Drawn[] => [
    piece(
      back ? 'Back' : 'Front',
      back ? 'back' : 'front',
      [back ? 0 : -18, 560],
      [
        [back ? 'centre-back' : 'front-edge', back ? 0 : -18, back ? 8 : 220],
        back ? ['neckline', 34, 8, 70, 2, 80, -14] : ['neckline', 10, 150, 60, 70, 80, 0],
        ['shoulder', 128, back ? 4 : 16],
        ['panel-seam', 134, 180, 112, 380, 130, 566],
        ['hem', back ? 0 : -18, 560],
      ],
      back ? 'cut 1 on the fold' : undefined,
    ),
    piece(
      back ? 'Side back' : 'Side front',
      back ? 'back-side' : 'front-side',
      [130, 566],
      [
        ['panel-seam', 112, 380, 134, 180, 128, back ? 4 : 16],
        ['shoulder', 186, back ? 20 : 34],
        ['armhole', 176, 120, 190, 250, 236, 252],
        ['side', 230, 350, 232, 460, 240, 556],
        ['hem', 130, 566],
      ],
    ),
  ];
  const pieces = [...panels(false), ...panels(true)];
  return documentOf({ name: 'Princess waistcoat', garment: 'waistcoat', pieces });
}

/** A skirt faced at the waist, without a band, a zip in its back. */
function facedSkirt(): ProjectDocument {
  const half = (front: boolean): Drawn =>
    piece(
      front ? 'Skirt front' : 'Skirt back',
      front ? 'skirt-front' : 'skirt-back',
      [0, 640],
      [
        [front ? 'centre-front' : 'centre-back', 0, 12],
        ['waist', 70, 12, 130, 8, 182, 0],
        ['side', 214, 90, 236, 160, 240, 240, 246, 640],
        ['hem', 0, 640],
      ],
      front ? 'cut 1 on the fold' : undefined,
    );
  const doc = documentOf({ name: 'Faced skirt', garment: 'skirt', pieces: [half(true), half(false)] });
  doc.decisions.facing.bands.waist = 50;
  Object.assign(doc.decisions.lining, { pleat: 0, zip: { ...doc.decisions.lining.zip, length: 180 } });
  doc.decisions.closure.on = false;
  return doc;
}

/** The same with its zip in the left side seam, its back on the fold like its front. */
function sideZip(): ProjectDocument {
  const doc = facedSkirt();
  const back = doc.shell?.pieces[1];
  if (back && doc.shell)
    doc.shell.pieces[1] = {
      ...back,
      count: 1,
      ring: back.ring.map((e) => (e.role === 'centre-back' ? { ...e, onFold: true } : e)),
    };
  Object.assign(doc.decisions.lining.zip, { length: 200, at: 'side' });
  return doc;
}

/** The same with two pleats laid in the front's shoulder, and a slit in one side. */
function pleatedOneShoulder(): ProjectDocument {
  const doc = oneShoulder();
  const front = doc.shell?.pieces[0];
  if (!front || !doc.shell) return doc;
  const i = front.ring.findIndex((e) => e.role === 'shoulder');
  const [shoulder, armhole] = [front.ring[i], front.ring[i + 1]] as [ShellEdge, ShellEdge];
  const [a, b] = [startOf(shoulder.path), endOf(shoulder.path)];
  const k = 1 + 40 / pathLength(shoulder.path);
  const far = { x: a.x + (b.x - a.x) * k, y: a.y + (b.y - a.y) * k };
  const [head] = armhole.path as [Path[number]];
  const longer = { ...shoulder, path: [line(a, far)] };
  const met = { ...armhole, path: [{ ...head, a: far }, ...armhole.path.slice(1)] };
  const ring = front.ring.map((e) => (e === shoulder ? longer : e === armhole ? met : e));
  const pleats = [30, 80].flatMap((at) => {
    const made = laidLine(longer, { kind: 'pleat', at, width: 20, length: 120 });
    return made.ok ? [made.value] : [];
  });
  doc.shell.pieces[0] = { ...front, ring, lines: pleats };
  Object.assign(doc.decisions.lining.slit, { at: 'side', length: 220 });
  return doc;
}

/** A romper: a sleeveless bodice that opens in front above trousers. */
function romper(): ProjectDocument {
  const legs = WARDROBE['pond-trousers'].document().shell?.pieces.filter((p) => p.kind.startsWith('trouser')) ?? [];
  const waistOf = (kind: string): number =>
    legs
      .filter((p) => p.kind === kind)
      .flatMap((p) => p.ring)
      .reduce((t, e) => t + (e.role === 'waist' ? pathLength(e.path) : 0), 0);
  const half = (back: boolean, waist: number): Drawn =>
    piece(
      back ? 'Back' : 'Front',
      back ? 'back' : 'front',
      [0, 400],
      [
        [back ? 'centre-back' : 'front-edge', 0, back ? 20 : 110],
        back ? ['neckline', 42, 20, 78, 12, 84, 0] : ['neckline', 46, 110, 80, 60, 84, 0],
        ['shoulder', 180, 34],
        ['armhole', 168, 110, 176, 190, 236, 212],
        ['side', waist, 400],
        ['waist', 0, 400],
      ],
      back ? 'cut 1 on the fold' : undefined,
    );
  const doc = documentOf({
    name: 'Romper',
    garment: 'romper',
    pieces: [half(false, waistOf('trouser-front')), half(true, waistOf('trouser-back'))],
  });
  doc.shell?.pieces.push(...legs.map((p, i) => ({ ...p, id: `leg${i + 1}` })));
  Object.assign(doc.decisions.lining, { pleat: 0 });
  doc.decisions.lining.hem.kind = 'free';
  doc.decisions.closure.count = 3;
  return doc;
}

/** A raglan jacket with a hood as long as its neck, ribs at hem and wrists. */
function hoodedRaglan(): ProjectDocument {
  const doc = raglanCoat(PLAIN_COAT);
  const neck = (doc.shell?.pieces ?? [])
    .flatMap((p) => p.ring.map((e) => (e.role === 'neckline' ? pathLength(e.path) : 0)))
    .reduce((a, b) => a + b, 0);
  const hood = hoodedCoat(PLAIN_COAT).shell?.pieces.find((p) => p.kind === 'hood');
  if (!hood || !doc.shell) return doc;
  const own = hood.ring.reduce((t, e) => t + (e.role === 'neckline' ? pathLength(e.path) : 0), 0);
  const k = (neck - PLAIN_COAT.extension) / own;
  const m = { a: k, b: 0, c: 0, d: k, e: 0, f: 0 };
  doc.shell.pieces.push({ ...hood, id: 'p9', ring: hood.ring.map((e) => ({ ...e, path: mapPath(e.path, m) })) });
  doc.decisions.lining.hem.kind = 'rib';
  doc.decisions.lining.wrist.kind = 'rib';
  return doc;
}

/** Garments that no one front and back make up. */
export const UNLIKE: Record<string, () => ProjectDocument> = {
  'jacket of front, side panel and back': threePanels,
  'jacket of unlike fronts': unlikeFronts,
  'shirt with a yoke in front': frontYoke,
  'dress of yoke, bust piece and gathered front, a keyhole behind': WARDROBE['orchid-house-dress'].document,
  'wrap blouse with a band, ties and peplum': WARDROBE['seed-sowers-blouse'].document,
  'trousers lined to the knee': WARDROBE['pond-trousers'].document,
  'coat with a waist seam and godets': WARDROBE['winter-walk-coat'].document,
  'dress with one shoulder and a cut-out': oneShoulder,
  'waistcoat of shoulder-princess panels': princessWaistcoat,
  'raglan coat': () => raglanCoat(PLAIN_COAT),
  'hooded coat': () => hoodedCoat(PLAIN_COAT),
  'skirt faced at the waist': facedSkirt,
  'skirt with a zip in its side': sideZip,
  'dress with one shoulder, pleats and a slit': pleatedOneShoulder,
  romper,
  'raglan jacket with hood and ribs': hoodedRaglan,
  'jacket with a vent in either side': sideVents,
  'cover-up with armholes cut in': coverUp,
  'dress of forty panels': () => goredDress(),
};
