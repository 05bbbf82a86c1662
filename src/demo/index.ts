import { usualSmall } from '../core/closure/index.ts';
import { type ProjectDocument, type Shell } from '../core/document/project.ts';
import { emptyDocument } from '../core/document/usual.ts';
import { importSvg } from '../core/import/index.ts';
import { ok, type Result } from '../core/result.ts';
import { CHORE_JACKET, type CoatFigures, draftCoat, draftSvg, GREENHOUSE_COAT } from './draft.ts';
import { draftDress } from './dress.ts';
import { draftShirt, POTTING_SHIRT } from './shirt.ts';
import { WARDROBE } from './wardrobe.ts';

export * from './draft.ts';
export * from './dress.ts';
export * from './dxf.ts';
export * from './pdf.ts';
export * from './photo.ts';
export * from './shirt.ts';

export interface Demo {
  id: string;
  name: string;
  garment: string;
}

/** The coat's shell as the SVG file it would be dropped as. */
export const coatSvg = (figures: CoatFigures = GREENHOUSE_COAT): string =>
  draftSvg(draftCoat(figures), figures.extension);

function drafted(demo: Demo, svg: string, decide: (doc: ProjectDocument) => void): Result<ProjectDocument> {
  const read = importSvg(svg);
  if (!read.ok) return read;
  const doc = emptyDocument(demo.name, demo.garment);
  const shell: Shell = { fileName: `${demo.id}.svg`, lines: 'seam', pieces: read.value.pieces, trueSize: true };
  decide(doc);
  return ok({ ...doc, shell });
}

const COAT: Demo = { id: 'greenhouse-coat', name: 'Greenhouse coat', garment: 'coat' };
const JACKET: Demo = { id: 'chore-jacket', name: 'Chore jacket', garment: 'jacket' };

/** The greenhouse coat: knee-length, lined to front and neck facings, bagged, worn with a belt. In millimetres. */
export const greenhouseCoat = (): Result<ProjectDocument> =>
  drafted(COAT, coatSvg(), ({ decisions: d }) => {
    d.closure.waist = { keepClear: true, at: 336, belt: 45 };
    d.closure.bottom = 250;
    d.closure.bust = { want: 'near', own: false, at: 0, body: 1010, garment: 1060 };
  });

const SHIRT: Demo = { id: 'potting-shirt', name: 'Potting shirt', garment: 'shirt' };
const DRESS: Demo = { id: 'seed-hall-dress', name: 'Seed hall dress', garment: 'dress' };

/** The shirt's shell as the SVG file it would be dropped as. */
export const shirtSvg = (): string => draftSvg(draftShirt(), POTTING_SHIRT.extension);
export const dressSvg = (): string => draftSvg(draftDress(), 0);

/** The potting shirt: yoke, collar on a stand, cuffs; unlined, its front edges faced. In millimetres. */
export const pottingShirt = (): Result<ProjectDocument> =>
  drafted(SHIRT, shirtSvg(), ({ decisions: d }) => {
    d.allowances = { seam: 10, hem: 20, wrist: 10 };
    Object.assign(d.facing, { front: 55, shoulder: 40, back: 50, radius: 30, finish: 'pressed' });
    d.lining.on = false;
    Object.assign(d.interfacing, { frontStrip: 32 });
    Object.assign(d.closure, {
      count: 8,
      diameter: 11,
      thickness: 2.5,
      bottom: 110,
      extension: 16,
      direction: 'vertical',
      school: 'first',
      firstGap: 70,
      stand: { hole: true, height: 32 },
      others: [{ ...usualSmall('cuff', 'c1'), layout: 'link', length: 281, width: 65 }],
    });
  });

/** The seed hall dress: sleeveless, waist seam, darts, pockets, zip at the centre back; lined to the armholes. */
export const seedHallDress = (): Result<ProjectDocument> =>
  drafted(DRESS, dressSvg(), ({ decisions: d }) => {
    Object.assign(d.facing, { shoulder: 50, back: 60 });
    Object.assign(d.lining, { pleat: 0, darts: 'pleats', zip: { ...d.lining.zip, length: 520 } });
    d.lining.hem = { ...d.lining.hem, kind: 'free', above: 25, turn1: 20, turn2: 20 };
    Object.assign(d.interfacing, { frontStrip: 0 });
    d.closure.on = false;
  });

const INCH = 25.4;

/** The chore jacket: hip-length, five buttons, its lining hanging free. In inches, with 5/8" seams. */
export const choreJacket = (): Result<ProjectDocument> =>
  drafted(JACKET, coatSvg(CHORE_JACKET), (doc) => {
    doc.units = 'in';
    const d = doc.decisions;
    d.allowances = { seam: (5 / 8) * INCH, hem: 1.5 * INCH, wrist: 1.5 * INCH };
    d.facing = { ...d.facing, front: 3.25 * INCH, shoulder: 2 * INCH, back: 2.5 * INCH, radius: 2.5 * INCH };
    const free = { kind: 'free' as const, above: (5 / 8) * INCH, turn1: INCH / 2, turn2: INCH };
    d.lining.hem = { ...d.lining.hem, ...free };
    d.lining.wrist = { ...d.lining.wrist, clearance: (5 / 8) * INCH, seam: (3 / 8) * INCH };
    d.lining.pleat = INCH;
    d.lining.raise = INCH / 2;
    d.interfacing.frontStrip = 2.25 * INCH;
    Object.assign(d.closure, {
      count: 5,
      diameter: 0.75 * INCH,
      thickness: INCH / 8,
      top: 0.75 * INCH,
      bottom: 3 * INCH,
    });
    d.paper.size = 'letter';
  });

/** Garments of many panels, as the files they would be dropped as. */
const ofPanels = Object.entries(WARDROBE).map(([id, { name, garment, document }]) => ({
  id,
  name,
  garment,
  make: (): Result<ProjectDocument> => {
    const doc = document();
    return ok({ ...doc, shell: doc.shell && { ...doc.shell, fileName: `${id}.svg`, trueSize: true } });
  },
}));

/** The made-up wardrobe of the volunteers of a small botanical garden. */
export const DEMOS: (Demo & { make: () => Result<ProjectDocument> })[] = [
  { ...COAT, make: greenhouseCoat },
  { ...JACKET, make: choreJacket },
  { ...SHIRT, make: pottingShirt },
  { ...DRESS, make: seedHallDress },
  ...ofPanels,
];
