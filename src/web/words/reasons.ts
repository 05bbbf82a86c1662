import { type Mark, type Reason } from '../../core/result.ts';
import { formatLength, inUnit, type LengthUnit } from '../../core/units.ts';

type Say = (mm: (key: string) => string, value: string, raw: Record<string, number>) => string;

/** A zip in one side seam: both halves are cut alike, and one of them is cut again. */
const oneSided = (half: string, mm: Parameters<Say>[0], v: string): string =>
  `On the ${half} half, as worn, cut along the line drawn beside the zip: R = 2A − s1 − s2 = 2 × ${mm('A')} − ${mm('s1')} − ${mm('s2')} = ${v} from the shell's cut edge. The other half stays as it is.`;

/** The sum behind every derived figure, with its own values in it. */
const SAY: Record<string, Say> = {
  'facing-front': (_, v) =>
    `Parallel to the front edge, ${v} wide. Handbooks: {75–100 mm} at the hem, and behind each buttonhole its inner end plus {15 mm}.`,
  'facing-shoulder': (_, v) =>
    `${v} along the shoulder, the same on front and back so that the seams meet. Handbooks: {50–65 mm}.`,
  'facing-back': (_, v) => `${v} deep at the centre back. Handbooks: {60–75 mm}.`,
  'facing-deep': (_, v) =>
    `Down to the armholes, ${v} below the neck at the centre back: a coat's back keeps its shape and slides on easily.`,
  'fullness-out': (_, v) =>
    `${v} of gathers or pleats folded out, by your choice: the lining lies smooth over the body.`,
  'lined-in-one': (_, v) =>
    `Cut in one across a seam of the shell, by your choice: its sides part by ${v} along it at most.`,
  'lapel-out': (_, v) =>
    `From the break point up its edge is drawn out, by ${v} at the top: turned back it is the side that shows, and lies over the other. Handbooks: {2–4 mm}, {6 mm} for thick cloth.`,
  'cut-on': () =>
    'The facing is grown on: the front edge is a fold, neckline and facing line mirrored about it. Cut this in place of the front.',
  'facing-on-fold': () =>
    'Cut on the fold though the back has a seam: nothing opens at the neck, and the facing is flatter without one.',
  'facing-radius': (mm, v, raw) =>
    Math.abs((raw.asked ?? 0) - (raw.value ?? 0)) > 0.5
      ? `The inner corner is rounded by ${v} so that the lining can be sewn to it; the ${mm('asked')} wished for found no room.`
      : `The inner corner is rounded by ${v} so that the lining can be sewn to it. Handbooks: {50–80 mm}.`,
  'band-width': (_, v) =>
    `${v} wide, parallel to its edge. Handbooks: {50–60 mm} at armhole and waist, {30–40 mm} at a sleeve hem.`,
  'darts-closed': (_, _v, raw) =>
    `${raw.count === 1 ? 'The dart or pleat in its way was' : `The ${raw.count ?? 0} darts or pleats in its way were`} closed before it was traced.`,
  'turn-of-cloth': (_, v) =>
    `Its edge is drawn ${v} smaller, so that the seam rolls inside. Handbooks: {1 mm} for thin, {3 mm} for thick cloth.`,
  'shoulder-narrower': (_, v) =>
    `Its shoulder is ${v} narrower at the armhole, so that neither seam shows. Handbooks: {3 mm}.`,
  'bias-wrapped': (mm, v) =>
    `Four times its finished width, 4 × ${mm('finished')} = ${v}: it goes round the trimmed edge, both raw edges inside.`,
  'bias-turned': (mm, v) =>
    `Seam + finished width + turn-under = ${mm('seam')} + ${mm('finished')} + ${mm('under')} = ${v}; it is turned to the inside.`,
  'bias-length': (mm, v, raw) =>
    `Once round is ${mm('edge')}; cut ${raw.percent ?? 0} % shorter so that it lies flat on a hollow edge, with ${mm('end')} at each end: ${v}. Handbooks: 2–5 %.`,
  'bias-yield': (mm, v) => `A square of cloth, ${mm('side')} a side, yields about ${v} of it, joined.`,
  'finish-overlocked': () => 'Its outer edge is overlocked: nothing to turn under.',
  'finish-bound': () => 'Its outer edge is bound, which also weighs it down: nothing to turn under.',
  'finish-pressed': (_, v) => `Its outer edge is pressed under ${v} and edge-stitched.`,
  'armhole-smaller': (_, v) => `Armhole ${v} smaller than the shell's, so that it rolls inside. Common: {3 mm}.`,
  zip: (mm, v) =>
    `Cut back beside the zip from the shell's cut edge: R = 2A − s1 − s2 = 2 × ${mm('A')} − ${mm('s1')} − ${mm('s2')} = ${v}.`,
  'cap-lifted': (mm, v) =>
    `Its cap was ${mm('before')}, too short for its armhole: lifted at its top by ${v}, it is ${mm('target')}, ${mm('ease')} longer than the armhole.`,
  'cap-deepened': (mm, v) =>
    `Its cap was ${mm('before')}, too short for its armhole: drawn up to ${v} deeper towards the underarm, it is ${mm('target')}, ${mm('ease')} longer than the armhole.`,
  region: (_, v) => `Where you wished it, ${v} wide.`,
  'tie-cut': (mm, v) =>
    `Folded along its middle and turned: cut twice its finished width and two seams, 2 × ${mm('width')} + 2 × ${mm('seam')} = ${v}, and ${mm('length')} long.`,
  'loops-cut': (mm, v, raw) =>
    `${raw.count ?? 1} loops of ${mm('each')}, ${mm('end')} at each end of them turned under: one strip of ${v}, folded in four, so ${mm('width')} wide.`,
  'ruffle-length': (mm, v, raw) =>
    `${(raw.ratio ?? 1).toFixed(2)} times its edge of ${mm('round')} = ${v}, in ${raw.count ?? 1} ${raw.count === 1 ? 'part' : 'parts'}.`,
  'flounce-radius': (mm, v) =>
    `A ring as long inside as its edge: radius = edge ÷ 2π = ${mm('round')} ÷ 2π = ${v}, in two halves.`,
  'front-zip-strip': (mm, v) =>
    `${v} wide along each edge of the front (${mm('edge')}), running on ${mm('above')} above, into hood or neck, and ${mm('below')} below, into rib or hem. The floppier the cloth, the more it is needed.`,
  'zip-left': (mm, v) => oneSided('left', mm, v),
  'zip-right': (mm, v) => oneSided('right', mm, v),
  slit: (mm, v) =>
    `Cut back beside the slit from the shell's cut edge: R = 2A − s1 − s2 = 2 × ${mm('A')} − ${mm('s1')} − ${mm('s2')} = ${v}.`,
  'vent-over': (mm, v) =>
    `Cut back beside the vent's extension from its cut edge: R = 2E − s1 − s2 = 2 × ${mm('E')} − ${mm('s1')} − ${mm('s2')} = ${v}. The extension folds back: the lining's cut edge lies ${mm('inside')} inside the centre back.`,
  'vent-under': (mm, v) =>
    `Cut back beside the underlap, whose edge is turned in: R = 2A − s1 − s2 = 2 × ${mm('A')} − ${mm('s1')} − ${mm('s2')} = ${v}.`,
  'hem-strip': (mm, v) =>
    `Hem ${mm('hem')} and ${mm('more')} more, so that it reaches past the fold: ${v} wide, cut on the bias.`,
  'back-stay': (mm, v) => `${v} deep at centre back, and ${mm('side')} below the underarm.`,
  raise: (_, v) =>
    `Underarm raised ${v}: the shell's seam allowance stands up there inside the lining. Handbooks: {10–15 mm}.`,
  'out-raglan': (mm, v) =>
    `Let out at the underarm by ${v} (${mm('asked')} was wished for): by just so much that its raglan seams are as long as the body lining's.`,
  'facing-raglan': (_, v) => `It ends ${v} down both raglan seams, as the facings of front and back do.`,
  'hood-lining': (_, v, raw) =>
    (raw.value ?? 0) > 0
      ? `The hood less its facing, ${v} wide along the opening.`
      : 'The hood again: it is lined to its edge.',
  'let-out': (_, v) => `Let out ${v} at the underarm, for the same allowance. Handbooks: {5–6 mm}.`,
  'centre-back-pleat': (mm, v) =>
    `A pleat of ${v} in all for reaching forward; half of it, ${mm('half')}, lies beyond the centre back. Handbooks: {20–25 mm} in a jacket, {25–40 mm} in a coat.`,
  'cap-ease': (mm, v) =>
    `Armhole of the lining ${mm('armhole')} + ease ${v}; the cap's height was changed by ${mm('change')} to get there. Handbooks: {10–20 mm}.`,
  'jump-pleat': (mm, v) =>
    `Lining seam line at L = 2c − (H − s) = 2 × ${mm('c')} − (${mm('H')} − ${mm('s')}) = ${v} above the finished hem. The fold then stays ${mm('c')} above it.`,
  'free-hem': (mm, v) =>
    `Taken off the lining: R = h + c − t1 − t2 = ${mm('h')} + ${mm('c')} − ${mm('t1')} − ${mm('t2')} = ${v}. It then hangs ${mm('c')} above the hem.`,
  'to-rib': (_, v) =>
    `As long as the shell, with the same seam of ${v}: the two are sewn to the two edges of the rib, shell to one and lining to the other.`,
  'to-edge': (_, v) => `As long as the shell, with the same seam of ${v}: the two are sewn together along the edge.`,
  'rib-length': (mm, v, raw) =>
    `${raw.percent ?? 0} % of the edge (${mm('edge')}), so that it draws in, and a seam of ${mm('seam')} at each end: ${v}. Handbooks: 80–90 %.`,
  'rib-width': (mm, v) => `Cut double: 2 × ${mm('depth')} + 2 × ${mm('seam')} = ${v}.`,
  'front-shaped': (_, v) =>
    `Shoulder and armhole whole, to ${v} below the underarm; from there it falls to the facing line and down it to the hem.`,
  'zip-strip': (mm, v) =>
    `${v} wide, on the wrong side along each edge of the zip (${mm('zip')}), running on ${mm('on')} above and below. The floppier the cloth, the more it is needed.`,
  'hole-patch': (mm, v) =>
    `The hole measures ${mm('overall')} over all; ${mm('round')} more all round: ${v}. Behind each hole, on the wrong side.`,
  'trim-inside': () => 'Cut {3 mm} inside the seam line, so that it is not caught in the seam: least bulk.',
  'trim-seam': () => 'Cut on the seam line.',
  'trim-caught': () => 'Cut {3 mm} into the allowance, so that the seam holds it.',
  'trim-whole': () => 'The whole piece with its allowances.',
  'front-strip': (_, v) => `${v} along the front edge, under buttons and buttonholes.`,
  'hole-opening': (mm, v) => `Opening = diameter + thickness = ${mm('diameter')} + ${mm('thickness')} = ${v}.`,
  'hole-domed': (mm, v) =>
    `Opening = diameter + height of the dome = ${mm('diameter')} + ${mm('thickness')} = ${v}. A strip wrapped round it once and halved tells it exactly.`,
  'hole-ball': (mm, v) => `A ball is as thick as it is wide: opening = 2 × ${mm('diameter')} = ${v}.`,
  'hole-strip': (mm, v) => `Half of the strip wrapped round it once: ${mm('strip')} ÷ 2 = ${v}.`,
  'hole-snug': (_, v) =>
    `Only as long as the button is wide, ${v}: snug. It holds well, and a thick button hardly goes through; try it.`,
  'hole-overall': (mm, v) => `Overall = opening + two bars = ${mm('opening')} + 2 × ${mm('bar')} = ${v}.`,
  'hole-keyhole': (mm, v) =>
    `Overall = opening + two bars + the eye of the keyhole = ${mm('opening')} + 2 × ${mm('bar')} + ${mm('eye')} = ${v}.`,
  'hole-past': (_, v) => `It starts ${v} past the centre towards the edge: the button pulls to that end.`,
  'hole-centred': (_, v) => `Centred on the button: ${v} to each side.`,
  'belt-clear': (mm, v) =>
    `Kept clear: half the belt and {10 mm} more to each side of the waist, ${mm('belt')} ÷ 2 + {10 mm} = ${v}.`,
  'equal-gap': (mm, v, raw) =>
    `All alike a gap would be (last − first) ÷ (buttons − 1) = (${mm('last')} − ${mm('first')}) ÷ ${(raw.n ?? 2) - 1} = ${v}.`,
  'least-gap': (mm, v) =>
    `No gap below what a button or hole covers and ${mm('between')} more: ${mm('reach')} + ${mm('between')} = ${v}.`,
  'stand-hole': (mm, v) => `The first hole lies halfway up the stand, ${mm('height')} ÷ 2 = ${v} above the neck seam.`,
  'bust-dart': (_, v) =>
    `Bust level, ${v} below the neck seam, from the point of a dart: one from below ends {20 mm} short of it.`,
  'bust-underarm': (_, v) =>
    `No dart shows the bust point: chest level is taken at the underarm, ${v} below the neck seam.`,
};

export const MARK_WORDS: Record<Mark, string> = {
  practice: 'common practice',
  memory: 'handbook figure, from memory',
  derived: 'worked out',
  choice: 'your choice',
};

export function reasonWords(r: Reason, unit: LengthUnit): string {
  const mm = (key: string): string => formatLength(r.inputs[key] ?? 0, unit);
  const value = formatLength(r.value, unit);
  const sentence = SAY[r.rule]?.(mm, value, { ...r.inputs, value: r.value });
  return sentence ? inUnit(sentence, unit) : `${r.rule}: ${value}`;
}
