/** A line of a small drawing (viewBox 0 0 120 60), and what it is: an edge of cloth, a row of stitches, a fold, what lies beneath. */
export type Stroke = readonly ['edge' | 'stitch' | 'fold' | 'under' | 'fill', string];

/** A term of the trade: what it means in one sentence, as a sewist would say it, with a small drawing. */
export interface Term {
  name: string;
  /** Other forms of the word that mean it. */
  also?: readonly string[];
  means: string;
  drawn: readonly Stroke[];
}

const CLOTH: Stroke = ['fill', 'M10 12H110V48H10Z'];
const SEAM: readonly Stroke[] = [
  ['fill', 'M10 12H60V48H10Z'],
  ['under', 'M60 12H110V48H60Z'],
  ['edge', 'M60 8V52'],
];

/** Words of the trade that Woodbine uses. The meanings are common practice. */
export const TERMS: readonly Term[] = [
  {
    name: 'understitch',
    also: ['understitching', 'understitched'],
    means:
      'A row through facing and allowances, close to the seam and not through the outside, so that the facing stays inside.',
    drawn: [...SEAM, ['stitch', 'M67 12V48']],
  },
  {
    name: 'staystitch',
    also: ['staystitching'],
    means:
      'A row within the allowance of one layer, sewn first of all, so that a curved or slanted edge does not stretch.',
    drawn: [
      ['edge', 'M12 12C40 44 80 44 108 12V52H12Z'],
      ['stitch', 'M18 20C44 48 76 48 102 20'],
    ],
  },
  {
    name: 'topstitch',
    also: ['topstitching', 'topstitched', 'edgestitch'],
    means: 'A row seen on the outside, beside a seam or an edge, that holds the allowances flat.',
    drawn: [CLOTH, ['edge', 'M10 12H110'], ['stitch', 'M12 20H108']],
  },
  {
    name: 'grade',
    also: ['graded', 'grading'],
    means:
      'To trim the allowances of one seam to different widths, the widest towards the outside, so that no ridge shows.',
    drawn: [
      ['edge', 'M20 50V14H104'],
      ['edge', 'M20 24H88'],
      ['edge', 'M20 34H70'],
      ['stitch', 'M28 10V50'],
    ],
  },
  {
    name: 'clip',
    also: ['clips', 'clipped', 'clipping'],
    means: 'A cut into the allowance almost to the stitching, so that a hollow curve can spread when it is turned.',
    drawn: [
      ['edge', 'M12 14C40 46 80 46 108 14'],
      ['stitch', 'M8 26C38 58 82 58 112 26'],
      ['edge', 'M30 31L27 38M48 39L46 46M72 39L74 46M90 31L93 38'],
    ],
  },
  {
    name: 'notch',
    also: ['notches', 'notched'],
    means:
      'A mark across the seam line where two edges meet, double at the back; also a wedge cut out of a rounded allowance.',
    drawn: [CLOTH, ['edge', 'M10 12H110'], ['edge', 'M44 12L50 22L56 12M72 12L78 22L84 12']],
  },
  {
    name: 'ease',
    also: ['eased'],
    means:
      'The little that one side of a seam is longer than the other: it is sewn in without a pleat and gives shape.',
    drawn: [
      ['edge', 'M12 22Q24 12 36 22T60 22T84 22T108 22'],
      ['edge', 'M12 42H108'],
      ['stitch', 'M12 32H108'],
    ],
  },
  {
    name: 'gather',
    also: ['gathers', 'gathered', 'gathering'],
    means: 'To draw a long edge together on two loose rows of stitches until it is as short as the one it is sewn to.',
    drawn: [
      ['edge', 'M12 40C18 14 24 14 30 40S42 14 48 40S60 14 66 40S78 14 84 40S96 14 102 40'],
      ['stitch', 'M10 32H110'],
      ['stitch', 'M10 38H110'],
    ],
  },
  {
    name: 'dart',
    also: ['darts'],
    means: 'A fold that runs to nothing, sewn so that flat cloth becomes round at its point.',
    drawn: [CLOTH, ['stitch', 'M48 48L60 16L72 48'], ['fold', 'M60 16V48']],
  },
  {
    name: 'facing',
    also: ['facings'],
    means: 'A strip of the outside’s cloth that is sewn along an edge and turned inside, to finish it.',
    drawn: [
      ['under', 'M14 8H106V52H14Z'],
      ['fill', 'M14 8H42V52H14Z'],
      ['edge', 'M14 8V52'],
      ['stitch', 'M18 8V52'],
    ],
  },
  {
    name: 'interfacing',
    means: 'A stiffening layer, mostly fused on with the iron, where cloth has to hold its shape.',
    drawn: [CLOTH, ['edge', 'M10 12H110V48H10Z'], ['stitch', 'M18 20H102M18 30H102M18 40H102']],
  },
  {
    name: 'jump pleat',
    also: ['jump hem'],
    means: 'A soft fold of lining over its hem, so that it can give when one moves and never pulls the outside up.',
    drawn: [
      ['edge', 'M20 8V52'],
      ['under', 'M34 8V38Q34 46 42 46T50 38V26'],
      ['edge', 'M34 8V38Q34 46 42 46T50 38V26'],
      ['edge', 'M20 52H60'],
    ],
  },
  {
    name: 'centre pleat',
    also: ['back pleat'],
    means: 'Width folded into the lining along the centre back, so that it does not tear across the shoulders.',
    drawn: [CLOTH, ['fold', 'M52 12V48M68 12V48'], ['stitch', 'M52 12V22M68 12V22']],
  },
  {
    name: 'stand',
    means: 'The upright band between neck and collar, which lets the collar fall from above the neck.',
    drawn: [
      ['edge', 'M14 46Q60 58 106 46V34Q60 46 14 34Z'],
      ['edge', 'M14 34Q60 46 106 34L112 12Q60 24 8 12Z'],
    ],
  },
  {
    name: 'ligne',
    also: ['lignes'],
    means: 'The old measure of buttons, a fortieth of an inch: 24 lignes are 15 mm.',
    drawn: [
      ['edge', 'M60 10A20 20 0 1 1 59.9 10Z'],
      ['edge', 'M56 26h.1M64 26h.1M56 34h.1M64 34h.1'],
      ['fold', 'M40 54H80'],
    ],
  },
  {
    name: 'yoke',
    means: 'The piece across the shoulders that the back, and often the fronts, hang from.',
    drawn: [
      ['edge', 'M14 22L44 10Q60 18 76 10L106 22V34H14Z'],
      ['under', 'M14 34H106V54H14Z'],
    ],
  },
  {
    name: 'placket',
    means: 'A finished slit or band that lets a cuff, neck or front open.',
    drawn: [CLOTH, ['edge', 'M54 48V18H66V48'], ['stitch', 'M56 22H64']],
  },
  {
    name: 'bag',
    also: ['bagged', 'bagging'],
    means: 'To sew lining and outside together all round, right sides together, and turn all of it through a gap.',
    drawn: [
      ['fill', 'M14 10H106V50H14Z'],
      ['stitch', 'M14 10H106V50H70M50 50H14V10'],
      ['edge', 'M50 50q10 8 20 0'],
    ],
  },
  {
    name: 'vent',
    also: ['vents'],
    means: 'A slit with a lap, from the hem up, so that a coat or skirt gives when one walks or sits.',
    drawn: [CLOTH, ['edge', 'M60 12V26L72 30V48'], ['fold', 'M60 26V48']],
  },
  {
    name: 'mitre',
    also: ['mitred'],
    means: 'A corner of two hems joined on the slant, so that no thick pad lies in it.',
    drawn: [
      ['edge', 'M16 8V52H108'],
      ['fold', 'M30 8V38H108'],
      ['stitch', 'M16 52L30 38'],
    ],
  },
  {
    name: 'baste',
    also: ['basted', 'basting'],
    means: 'To sew with long loose stitches that hold something for now and are taken out again.',
    drawn: [CLOTH, ['stitch', 'M14 30H34M46 30H66M78 30H98']],
  },
  {
    name: 'fell',
    also: ['felled'],
    means: 'To sew a folded edge down by hand with small stitches that do not show.',
    drawn: [
      ['under', 'M10 30H110V50H10Z'],
      ['edge', 'M10 30H110'],
      ['edge', 'M20 30l5 -5M38 30l5 -5M56 30l5 -5M74 30l5 -5M92 30l5 -5'],
    ],
  },
  {
    name: 'French seam',
    also: ['French seams'],
    means: 'Sewn twice, first wrong sides together and then right sides, so that the raw edges lie within it.',
    drawn: [
      ['edge', 'M14 14H60V40H106'],
      ['edge', 'M14 20H54V46H106'],
      ['stitch', 'M50 10V50'],
    ],
  },
  {
    name: 'flat-felled seam',
    also: ['flat-felled'],
    means: 'One allowance folded over the other and stitched down: two rows, no raw edge, made to be washed hard.',
    drawn: [...SEAM, ['stitch', 'M64 12V48'], ['stitch', 'M78 12V48']],
  },
  {
    name: 'turn of cloth',
    means: 'The little that an outer layer must be larger than the one under it, to go round the fold.',
    drawn: [
      ['edge', 'M14 14H84Q100 14 100 30T84 46H14'],
      ['under', 'M14 22H82Q90 22 90 30T82 38H14'],
    ],
  },
  {
    name: 'sleeve cap',
    also: ['cap'],
    means: 'The rounded top of a sleeve that is sewn into the armhole, a little longer than that.',
    drawn: [
      ['edge', 'M14 50C28 48 34 12 60 12S92 48 106 50Z'],
      ['stitch', 'M30 36C40 18 50 16 60 16S80 18 90 36'],
    ],
  },
  {
    name: 'roll line',
    means: 'The line along which a lapel or collar folds back.',
    drawn: [
      ['edge', 'M24 52V28L52 8'],
      ['fold', 'M24 52L52 8'],
      ['under', 'M24 52L52 8L72 26Z'],
    ],
  },
  {
    name: 'grainline',
    also: ['grain', 'straight grain'],
    means: 'The direction of the long threads of cloth: the arrow on a piece lies along it.',
    drawn: [CLOTH, ['edge', 'M60 46V16M54 22L60 14L66 22']],
  },
  {
    name: 'bias',
    also: ['bias strip'],
    means: 'The slant of 45° to the grain, along which cloth stretches: strips cut so go round a curve.',
    drawn: [CLOTH, ['fold', 'M30 48L66 12M50 48L86 12']],
  },
  {
    name: 'princess seam',
    also: ['princess seams', 'panel seam'],
    means: 'A seam from shoulder or armhole over the bust to the hem that takes the place of darts.',
    drawn: [
      ['edge', 'M34 8L66 8L84 20V52H30Z'],
      ['stitch', 'M52 8C48 22 58 30 54 52'],
    ],
  },
  {
    name: 'shank',
    means: 'The thread or stem that holds a button off the cloth, as far as the layer with the hole is thick.',
    drawn: [
      ['edge', 'M36 14H84'],
      ['edge', 'M56 14V34M64 14V34'],
      ['under', 'M14 34H106V46H14Z'],
    ],
  },
  {
    name: 'extension',
    means: 'How far a front reaches beyond its centre line, so that left and right lap over each other.',
    drawn: [CLOTH, ['fold', 'M86 8V52'], ['edge', 'M110 12V48M90 30H106']],
  },
  {
    name: 'allowance',
    also: ['seam allowance', 'allowances'],
    means: 'The cloth between the seam line and the cut edge.',
    drawn: [CLOTH, ['edge', 'M10 12H110V48H10Z'], ['stitch', 'M18 20H102V40H18Z']],
  },
];

const FORMS = new Map(TERMS.flatMap((t) => [t.name, ...(t.also ?? [])].map((f) => [f.toLowerCase(), t] as const)));
const PATTERN = new RegExp(
  `\\b(${[...FORMS.keys()]
    .sort((a, b) => b.length - a.length)
    .map((f) => f.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
    .join('|')})\\b`,
  'gi',
);

/** A sentence in parts: words as they are, and terms of the trade, each where it first comes. */
export function withTerms(text: string): { words: string; term: Term | null }[] {
  const out: { words: string; term: Term | null }[] = [];
  const told = new Set<Term>();
  let end = 0;
  for (const m of text.matchAll(PATTERN)) {
    const term = FORMS.get(m[0].toLowerCase());
    if (!term || told.has(term)) continue;
    told.add(term);
    if (m.index > end) out.push({ words: text.slice(end, m.index), term: null });
    out.push({ words: m[0], term });
    end = m.index + m[0].length;
  }
  if (end < text.length) out.push({ words: text.slice(end), term: null });
  return out;
}
