import { type Part } from '../core/document/apart.ts';
import { type FindingCode } from '../core/findingcodes.ts';
import { type Finding } from '../core/result.ts';
import { capital } from '../core/text.ts';
import { formatLength, inUnit, type LengthUnit } from '../core/units.ts';
import { OF_PLAN } from './planfindings.ts';
import { allCalled, called } from './roles.ts';
import { type Data, type Say } from './say.ts';

const most = (d: Data, mm: (key: string) => string): string =>
  d.most === 0 ? 'No width would: check that its edges are named rightly.' : `At most ${mm('most')} would.`;

const PLACE = (d: Data): string => (d.x === undefined ? '' : ` near ${d.x}, ${d.y} mm`);

/** Places of the closing line that no button stands in. */
export const ZONE_NAMES: Record<string, string> = {
  belt: 'the belt',
  'waist-seam': 'the waist seam',
  pocket: 'a pocket’s edge',
  'cross-seam': 'a cross seam',
  other: 'the place you named',
};
const zone = (name: string | number | undefined, first = false): string => {
  const words = ZONE_NAMES[String(name)] ?? 'a place';
  return first ? capital(words) : words;
};

/** What is computed, part by part, as it is called in a sentence. */
const PART_NAMES: Record<Part, string> & Record<string, string> = {
  pattern: 'the outline',
  'seam-line': 'the seam line',
  'cut-line': 'the cut line',
  seams: 'the seams',
  facing: 'the facings',
  lining: 'the lining',
  interfacing: 'the interfacing',
  rib: 'the ribs',
  hood: 'the facing and lining of the hood',
  closure: 'where the buttons go',
  patch: 'the patches behind the buttonholes',
  faults: 'whether the pattern has faults',
  joins: 'what is sewn to what',
  strips: 'the ties and ruffles',
  plan: 'the order of making',
};

/** What is wrong, what would happen, and the cure, in one or two sentences for every code. */
const SENTENCES: Record<FindingCode, Say> = {
  // Reading a file.
  'file-empty': () => 'The file is empty. Choose the drawing again, or export it anew.',
  'not-svg': (d) =>
    d.kind === 'picture'
      ? 'This is a picture or another file without drawn lines. Export the pattern as SVG, DXF or PDF and drop that.'
      : 'This file is not an SVG drawing. Export the pattern as SVG, DXF or PDF and drop that.',
  'file-unreadable': (d) => `The file could not be read: ${d.detail}. Export it again.`,
  'reading-stopped': () => 'You stopped the reading.',
  'file-too-heavy': () =>
    'The file takes too long to read, and was given up. Leave out pictures and hatchings, and export it again.',
  'not-dxf': () =>
    'This file is not a DXF drawing in text form. Export the pattern as ASCII DXF, or as SVG, and drop that.',
  'dxf-binary': () => 'This is a binary DXF file. Export the pattern as ASCII DXF and drop that.',
  'dxf-broken': (d) =>
    `The DXF file is damaged${d.line ? ` at line ${d.line}` : ''}: "${d.value}" stands where it cannot. Export it again.`,
  'dxf-part-ignored': (d) =>
    d.kind === 'XREF'
      ? 'The drawing refers to another file, which is not opened. Bind it into the drawing if pieces are missing.'
      : `Passed over in the drawing: ${d.count} of kind ${d.kind}, of which no outline is made.`,
  'dxf-block-circle': (d) => `The block "${d.name}" holds itself; it was read once and no deeper.`,
  'pdf-image-only': () =>
    'This PDF holds pictures and no lines, as a scan does. Woodbine reads drawn lines only; export the pattern from the program it was drawn in.',
  'pdf-locked': () => 'This PDF is locked with a password. Save it without one and drop that.',
  'pdf-too-heavy': () =>
    'This PDF unpacks to far more than a pattern holds, so it was not opened. Print it to a new PDF and drop that.',
  'pdf-broken': (d) => `This PDF cannot be read: ${d.detail}. Save it again, or get it anew.`,
  'tiles-unclear': (d) =>
    `The ${d.pages} pages could not be laid together by themselves. Say how many lie side by side and how far they overlap.`,
  'tiles-joined': (d, mm) =>
    `The ${d.pages} pages were laid together, ${d.columns} across and ${d.rows} down, overlapping by ${mm('overlap')}.`,
  'tiles-doubtful': (d) =>
    `The ${d.pages} pages were laid together, ${d.columns} across and ${d.rows} down, but only ${d.meet} of 100 lines meet from page to page. Look whether the pieces are whole; else say how the pages lie.`,
  'choose-size': (d) =>
    `There are ${d.sizes} kinds of line whose pieces lie in each other, as the sizes of a pattern do. Choose the lines of your size.`,
  'pdf-group-unknown': (d) => `There are no lines "${d.id}" in this file. Choose the lines again.`,
  'square-true': (_, mm) =>
    `The test square measures ${mm('measured')}, as it should: the pattern is at its true size.`,
  'square-off': (d, mm) =>
    `The test square measures ${mm('measured')} and should be ${mm('nominal')}. Enlarge by ${Number(d.factor).toFixed(4)} to come to the true size.`,
  'too-few-corners': (d) =>
    `Four corners of something known are needed, ${d.count} are marked. Mark them in turn round the sheet.`,
  'corners-on-a-line': () =>
    'The four corners do not go round a sheet. Mark them in turn, clockwise from the upper left.',
  'too-few-points': (d) => `An outline needs at least three points, ${d.count} are set. Go on along the edge.`,
  'svg-entities': () =>
    'The drawing defines XML entities, which Woodbine does not open for safety. Export it as plain SVG.',
  'svg-script': () => 'The drawing carries a script, which Woodbine does not open for safety. Export it as plain SVG.',
  'too-many-lines': (d) =>
    `The drawing has more than ${d.most} lines, more than a pattern needs. Leave out hatchings and pictures, and export it again.`,
  'svg-too-deep': () => 'The drawing nests groups more than 64 deep. Ungroup it and export it again.',
  'xml-broken': (d) => `The file breaks off or is damaged at line ${d.line}: ${d.detail} Export it again.`,
  'path-unreadable': (d) => `The outline "${d.label}" cannot be read: ${d.detail}.`,
  'not-finite': (d) => `The outline "${d.label}" has a coordinate that is no number (${d.value}).`,
  'viewbox-bad': (d) =>
    `The drawing's viewBox "${d.value}" makes no sense: it needs four numbers, width and height above zero.`,
  'unit-unknown': (d) => `"${d.unit}" is no unit Woodbine knows. Use mm, cm, in, pt or px.`,
  'no-units': (d) =>
    `The drawing does not say how large one unit is, so its real size is unknown.${d.guess ? ` Going by its size it is probably drawn in ${d.guess}.` : ''} Say which unit it is drawn in.`,
  'unit-not-needed': (d) => `The file says its own unit (${d.own}), so that was used and not ${d.said}.`,
  'units-are-px': (d) =>
    `The file gives its size in ${d.own} but no viewBox, so its numbers were read as px (1/96 inch), as the SVG rules say. If the pieces came out at the wrong size, put the file in again and say the unit.`,
  'svg-stretched': () =>
    'Width and height of the drawing do not fit its viewBox; proportions were kept. Check a length you know.',
  'svg-part-ignored': (d) =>
    `A part of the drawing was passed over (${d.tag}): pictures and embedded pages hold no outlines.`,
  'svg-use-ignored': (d) =>
    `A reference in the drawing (${d.ref}) points nowhere, outside the file or to itself, and was passed over.`,
  'no-outlines': () => 'No closed outline was found in the drawing. Each pattern piece has to be one closed line.',
  'outline-open': (d, mm) =>
    `The outline "${d.label}" is open: its ends lie ${mm('gap')} apart near ${d.x}, ${d.y} mm. Close it in the drawing; gaps up to ${mm('heal')} are closed by themselves.`,
  'crosses-itself': (d) =>
    `The outline "${d.label}" crosses itself${PLACE(d)}. Straighten it there and drop the file again.`,
  'zero-area': (d) => `The outline "${d.label}" encloses no area and was passed over.`,
  'letters-passed': (d) => `Small shapes (letters, marks) that enclose nothing were passed over: ${d.count}.`,
  'points-doubled': (d) => `"${d.label}": ${d.count} doubled point${d.count === 1 ? ' was' : 's were'} dropped.`,
  'gap-healed': (d, mm) =>
    d.count === undefined || d.count === 1
      ? `"${d.label}": a gap of ${mm('gap')} was closed.`
      : `Gaps in ${d.count} outlines were closed, the largest ${mm('gap')} in "${d.label}".`,
  'darts-in-outline': (d) =>
    `The outline of "${d.name}" has a dart cut into it (${d.count}): it is kept as a dart, its mouth drawn straight across.`,
  'frame-dropped': (d) => `The frame "${d.label}" round all pieces was passed over.`,
  'line-outside': (d) => `"${d.label}" lies outside every piece and was passed over.`,
  'lines-lightened': (d, mm) =>
    `Outlines drawn in very many short lines (${d.count} of them, ${d.from} lines) are kept as ${d.to} curves that stay within ${mm('within')} of them.`,
  'choices-kept': (d) =>
    `What you had said of the pattern before (names, folds, allowances) was kept for pieces of the same name: ${d.count}.`,
  'both-lines': (d) =>
    `Cut line and seam line are both drawn for ${d.count} of ${d.of} pieces: the seam line was taken, and each allowance read off.`,
  'allowance-uneven': (d, mm) =>
    `The allowance drawn on "${d.name}" runs from ${mm('least')} to ${mm('most')} along one edge; ${mm('used')} was taken. Look at that edge.`,
  'fold-assumed': (d) =>
    `"${d.name}" has a straight centre back and the file says nothing of a fold: it was taken to lie on the fold. If there is a seam, say so at that edge.`,
  'size-odd': (d, mm) =>
    `The largest piece measures ${mm('largest')}. That is odd for a garment${d.factor ? `; at ${Number(Number(d.factor).toPrecision(4))} times that size it would be likely` : ''}. Check the unit.`,
  'piece-vast': (d, mm) =>
    `The outline "${d.label}" would be ${mm('side')} long; no piece of cloth is. Mend it in the drawing, or say its unit.`,
  'edge-unknown': (d) => `"${d.name}" has no edge ${d.id} any more. Choose the edge again.`,
  'corner-too-near': (d, mm) =>
    `A corner ${mm('at')} along this edge of "${d.name}" would leave less than ${mm('least')} on one side. Put the mark farther from the ends.`,
  'last-corner': (d) => `"${d.name}" has only one corner, which has to stay.`,
  'length-unreadable': (d) => `"${d.text}" is no length. Type for instance 15 mm, 1.5 cm or 5/8".`,
  'take-off-edge': (_, mm) =>
    `A dart or pleat ${mm('width')} wide does not lie on this edge (${mm('edge')} long) with its middle at ${mm('at')}. Make it narrower, or move its middle; width and length are at least ${mm('least')}.`,
  'feet-on-two-edges': (d) =>
    `Both feet of a dart or pleat have to lie on the same edge of "${d.name}". Click two places on one edge.`,
  // Faults in the pattern.
  'seam-kink': (d) =>
    `Where "${d.a}" and "${d.b}" are sewn together, the ${called(d.role)} has a corner of ${Math.abs(Number(d.degrees))}° ${Number(d.degrees) < 0 ? 'inward' : 'outward'}. Lay both together along the seam and draw the ${called(d.role)} on smoothly across it before cutting.`,
  'seam-turns-back': (d) =>
    `Where "${d.a}" and "${d.b}" are sewn together the ${called(d.role)} would turn back on itself. Look at the names of both edges there.`,
  'notches-apart': (d, mm) =>
    `The notches of "${d.a}" and "${d.b}" lie up to ${mm('apart')} apart when the seam is laid together. Measure both from the same end, and move the ones that are off.`,
  'dart-legs': (d, mm) =>
    `The two lines of a dart on "${d.name}" measure ${mm('short')} and ${mm('long')} and differ by ${mm('apart')}. Fold the dart shut, and draw the edge across it anew.`,
  // Deriving.
  'outline-crosses': (d) =>
    `"${d.name}" is left out: as it is chosen its outline would cross itself. Make it narrower, or look at the names of the edges it is drafted from.`,
  'part-failed': (d, mm) =>
    `Woodbine could not work out ${PART_NAMES[String(d.part)] ?? 'a part of this'}${d.name === undefined ? '' : ` of "${d.name}"`}${d.gap === undefined ? '' : `: its outline does not close, by ${mm('gap')}`}. It is left out, and all else stands. Look at the names of the edges and at the allowances there; undo the last change if it was well before.`,
  'piece-missing': (d) =>
    `There is no ${called(d.kind)} among the pieces, so what belongs to it is left out. Say which piece is the ${called(d.kind)}.`,
  'facing-in-parts': (d) =>
    `The facing along ${d.names} is cut in parts, each as wide as the next at the seam between them: laid together they do not lie flat.`,
  'neck-narrow': (_, mm) =>
    `The neck is ${mm('round')} round and nothing opens it: a head needs about ${mm('least')}. Make it larger, or give it a zip, a slit or an opening in front.`,
  'waist-closed': (_, mm) =>
    `The waist, ${mm('round')} round, closes on itself: it has to pass the hips. Give it a zip or an opening, unless elastic draws it in.`,
  'cut-in': (d, mm) =>
    `A round opening, ${mm('round')} round, seems to be cut into "${d.name}". Say on the pattern page what it is: until then it is not faced, lined or cut out.`,
  'laid-lost': (d) =>
    `Not in this file: ${Number(d.count) === 1 ? 'a dart, pleat or gather' : `${d.count} darts, pleats or gathers`} of "${d.name}" that stood in the pattern before. Lay what is missing again: places change with the size.`,
  'facings-over': (d) =>
    `"${d.name}" and "${d.other}" lie over each other in part. Make one of them narrower, or catch the upper one down where they cross.`,
  'opening-crosses': (d) =>
    `An opening in "${d.name}" crosses the outline, itself or another opening. It is left out until the drawing is mended or it is said to be a place marked on the cloth.`,
  'opening-small': (d, mm) =>
    `An opening in "${d.name}" is so small that its allowance (${mm('allowance')}) fills it. It is left out: mark it as a place and bind it, or take a smaller allowance.`,
  'opening-across': (d) =>
    `The edge of "${d.name}" goes through an opening cut into the pattern, which is not cut there. Make the facing narrower or wider, so that it passes the opening.`,
  'laid-misfit': (d, mm) =>
    `Laid together for a facing in one, the seam lines of ${d.names} lie up to ${mm('misfit')} apart: ease that in, or cut the facing in parts there.`,
  'lining-sliver': (d, mm) =>
    `The facing leaves only a sliver of "${d.name}" to line, about ${mm('width')} wide. Make the facing wider or narrower, so that it covers the panel or leaves room for a seam.`,
  'all-faced': (d) => `Not lined: ${d.names}. The facing covers all of it.`,
  'not-lined': (d) =>
    `Not lined: ${d.names}. Nothing says what ${String(d.names).includes(',') ? 'they are' : 'it is'} sewn to, so ${String(d.names).includes(',') ? 'they are' : 'it is'} taken to be laid on, as a pocket or a flap is. If it is part of the garment, name its edges or sew them to another in the garment laid open.`,
  'joins-lost': (d) =>
    `${d.count === 1 ? 'One seam' : `${d.count ?? 'Some'} seams`} you had joined yourself cannot be found any more: an edge of it is gone. Look at the garment laid open, and join it again.`,
  'edges-alone': (d) =>
    `Nothing was found that the ${allCalled(d.roles)} of "${d.name}" ${String(d.roles).includes(',') ? 'are' : 'is'} sewn to. A piece may be missing, or an edge on the other side is called something else.`,
  'drawn-whole': (d) =>
    `"${d.name}" is drawn whole. Facings and lining are drafted from one half, which is cut on the fold: take half of it.`,
  'halves-unlike': (d, mm) =>
    `The two halves of "${d.name}" differ by ${mm('apart')} when they are folded on each other, so it cannot be taken as one half on the fold.`,
  'not-whole': (d) =>
    `"${d.name}" is not drawn whole, or its edges are not all named: name neckline, sides and hem first.`,
  'roles-missing': (d) =>
    `On "${d.name}" no edge is called ${allCalled(d.roles)}, which is needed here. Name it on the pattern page.`,
  'roles-apart': (d) =>
    `On "${d.name}" the edges ${allCalled(d.roles)} do not follow each other as on a piece Woodbine knows, so this is not drafted. Look at their names on the pattern page.`,
  'allowance-swallows-piece': (d) =>
    `The allowances are larger than "${d.name}" can hold. Make them smaller, or say that seam lines are drawn.`,
  'front-facing-too-wide': (d, mm) =>
    `A front facing ${mm('width')} wide does not fit into "${d.name}". ${most(d, mm)}`,
  'back-facing-too-deep': (d, mm) => `A back facing ${mm('width')} deep does not fit into "${d.name}". ${most(d, mm)}`,
  'shoulder-too-short': (d, mm) =>
    `The shoulder of "${d.name}" is too short for a facing ${mm('width')} wide. ${most(d, mm)}`,
  'band-too-wide': (d, mm) =>
    `A facing ${mm('width')} wide along the ${called(d.role)} does not fit into "${d.name}". ${most(d, mm)}`,
  'facing-not-needed': (d) =>
    `The ${d.role === 'in-one' ? 'facing of neck and armhole in one' : `${called(d.role)} facing`} was left out: a ${called(d.instead)} takes its place.`,
  'trim-for-binding': (d, mm) =>
    `Trim the allowance (${mm('allowance')}) of the ${called(d.role)} away before it is bound: the strip goes round the seam line itself.`,
  'fold-not-straight': (d) =>
    `The front edge of "${d.name}" is curved, and cloth folds only along a straight line: the facing cannot be grown on. Choose a facing of its own.`,
  'deep-facing-range': (d, mm) =>
    `A back facing ${mm('depth')} deep does not come out at the armhole of "${d.name}". From ${mm('least')} to ${mm('most')} would.`,
  'fullness-kept': (d) =>
    `The gathers or pleats of "${d.name}" cannot be folded out of its lining: too little of the edge would be left. The lining has them too.`,
  'closed-up-not': (d) =>
    `The seam of "${d.name}" cannot be closed up in the lining: there is no lining on both its sides that it joins, or left and right differ there. It is lined with the seam.`,
  'closed-up-bent': (d, mm) =>
    `Laid together, ${d.names} do not lie flat: their seam gives shape, and its sides part by up to ${mm('misfit')}. The lining keeps the seam.`,
  'vents-two': (d) =>
    `"${d.name}" has more than one vent, and one piece of lining cannot be cut back for all of them here. Cut the piece into panels, or name one vent's edges something else and cut its lining back by hand.`,
  'vent-without-seam': (d) =>
    `"${d.name}" has a vent, but no seam above it: its two sides could not differ. Say of the edge above that it is a seam and not a fold, or name those edges something else.`,
  'cap-not-lifted': (d, mm) =>
    `The cap of "${d.name}" (${mm('cap')}) cannot be lifted so far that it is ${mm('target')} long. Look whether the armhole's edges are named rightly; lower the armhole or widen the sleeve.`,
  'cap-not-deepened': (d, mm) =>
    `The cap of "${d.name}" (${mm('cap')}) cannot be hollowed out so far that it is ${mm('target')} long: only a cap that is too short, and not by much. Lift it at its top.`,
  'zip-without-seam': (d, mm) =>
    `There is no seam called ${called(d.role)} that a zip ${mm('length')} long reaches in the lining, so no lining was cut back for it. Say which seam it lies in, or name that edge on the pattern page: on a fold there can be no zip.`,
  'gathers-off-edge': (d, mm) =>
    `Gathers from ${mm('from')} to ${mm('to')} do not lie on this edge, which is ${mm('edge')} long, or are shorter than ${mm('least')}; or ${d.ratio} times as long is none of 1 to 6.`,
  'region-gone': (d) =>
    `What is to be interfaced on ${d.on === 'lining' ? 'the lining of ' : ''}"${d.name}" is not there, so it was left out: the edge is gone, or the piece has no lining.`,
  'strip-without-edge': (d) => `"${d.name}" is not drafted: the edge it is sewn to is not there. Say which edge it is.`,
  'plan-fronts-double': () =>
    'Fronts cut double are planned beside a faced back, with a lining that hangs free at the hem and no yoke over the shoulders nor a raglan sleeve: their second layer goes into shoulders and side seams, and those of the sides are sewn after the turning. Choose so, or line the back as well.',
  'plan-no-opening': (_, mm) =>
    `It is closed all round and has to be turned, and no seam of the lining has room for the ${mm('least')} that this cloth needs, nor the hem. Make the slit shorter, let the lining hang free at the hem, or leave the sides open for it.`,
  'plan-grown-on-across': () =>
    'A facing grown on is planned where no seam comes to the front edge: here one runs across front and facing. Choose a facing of its own, or lay the front together first.',
  'pleat-too-wide': (d, mm) =>
    `A centre back pleat of ${mm('pleat')} is wider than "${d.name}" itself. At most ${mm('most')} would do; {20–40 mm} is usual.`,
  'facings-meet': (d, mm) =>
    `The shoulder of "${d.name}" (${mm('shoulder')}) is too short for a neck facing of ${mm('neck')} and an armhole facing of ${mm('armhole')} side by side. At most ${mm('most')} each would do, or face neck and armholes in one.`,
  'vent-too-wide': (d, mm) =>
    `The vent of "${d.name}" reaches ${mm('width')} beyond the centre back and finds no room when it is folded in. Check that its edges are named rightly.`,
  'front-strip-too-wide': (d, mm) =>
    `A front edge interfacing ${mm('width')} wide does not fit into "${d.name}". ${most(d, mm)}`,
  'front-strip-narrow': (d, mm) =>
    `A front edge interfacing ${mm('width')} wide on "${d.name}" would hold nothing. Take at least ${mm('least')}, or none.`,
  'interfacing-swallowed': (d, mm) =>
    `Trimmed ${mm('trim')} inside the seam line, nothing is left of the interfacing of "${d.name}". Let it reach to the seam line, or look at the allowances of that piece.`,
  'hem-too-shallow': (_, mm) =>
    `A hem of ${mm('depth')} leaves nothing to sew the lining to with a seam of ${mm('seam')}. Deepen the hem, or let the lining hang free.`,
  'jump-pleat-impossible': (_, mm) =>
    `With a hem of ${mm('depth')} and a seam of ${mm('seam')} the lining's fold can stay between 0 and ${mm('most')} above the hem, not ${mm('clearance')}.`,
  'free-hem-impossible': () => 'The lining hem needs a second turn above zero and an edge at or above the hem.',
  'cap-cannot-fit': (d, mm) =>
    `No cap height makes the sleeve lining's cap ${mm('ease')} longer than its armhole (${mm('armhole')}). The cap measures ${mm('cap')}: check the sleeve of "${d.name}".`,
  'raglan-cannot-fit': (d, mm) =>
    `The raglan seams of the sleeve lining (${mm('cap')}) cannot be brought to those of the body (${mm('armhole')}) at the underarm. Check the raglan seams of "${d.name}".`,
  'closing-from-break': () =>
    'The collar is grown on and turns from the break point up: places are measured from there down.',
  'front-not-at-neck': (d) =>
    `On "${d.name}" front edge and neckline do not meet, so it is not known where the closing begins. Look at the names of the edges between them.`,
  // Buttons.
  'closing-length': (_, mm) => `A closing ${mm('length')} long holds no button. Measure it, and type its length.`,
  'range-turned': (d) => `From ${d.least} to ${d.most} is no range. Put the smaller number first.`,
  'no-room-for-buttons': (_, mm) =>
    `The first button at ${mm('first')} would lie below the last at ${mm('last')}, both from the neck seam. Make the distances at the ends smaller.`,
  'button-count-bad': (d) =>
    `This number of buttons cannot be placed: ${d.count}. Choose a whole number from 1 to ${d.most}.`,
  'too-many-buttons': (d, mm) =>
    `So many buttons (${d.count}) do not fit: ${mm('least')} from centre to centre is the least. At most ${d.most} would.`,
  'zone-covers-line': (d, mm) =>
    `${zone(d.zone, true)} keeps clear all from ${mm('from')} to ${mm('to')}: no place is left for a button. Make it narrower.`,
  'no-placement': (d) =>
    `No placing of ${d.count === 1 ? 'one button' : `${d.count} buttons`} meets all that is asked. Any one of these would make room.`,
  'no-placement-at-all': (d) =>
    `No placing of ${d.count === 1 ? 'one button' : `${d.count} buttons`} meets all that is asked, whichever single wish is let go. Let two go: fewer buttons, and a button off the bust or a narrower belt.`,
  'hole-off-end': (d, mm) =>
    `${Number(d.hole) ? 'The hole of button' : 'Button'} ${d.number} reaches ${mm('over')} beyond the lower end of the line. Move it up${Number(d.hole) ? ', or make the holes across' : ''}.`,
  'holes-overlap': (d, mm) =>
    `Buttons ${d.first} and ${d.second} stand so near that their ${Number(d.hole) ? 'holes' : 'rims'} lie over each other by ${mm('over')}. Put them farther apart.`,
  'hole-in-hem': (_, mm) =>
    `The lowest hole ends ${mm('left')} above the hem, which is ${mm('hem')} deep: it would be sewn through the turned hem. Move the last button up.`,
  'loosen-count': (d) => `Take ${d.to === 1 ? 'one button' : `${d.to} buttons`} instead of ${d.from}.`,
  'loosen-zone': (d, mm) => `Keep clear ${mm('to')} at ${zone(d.name)} instead of ${mm('from')}.`,
  'loosen-gap-least': (_, mm) =>
    `Let two buttons come as near as ${mm('to')}, not only ${mm('from')}: smaller buttons.`,
  'loosen-gap-most': (_, mm) => `Let a gap be as long as ${mm('to')} instead of ${mm('from')}.`,
  'loosen-first': (_, mm) => `Let the first button move by ${mm('to')} either way instead of ${mm('from')}.`,
  'loosen-last': (_, mm) => `Let the last button move by ${mm('to')} either way instead of ${mm('from')}.`,
  'loosen-level': (_, mm) => `Let the nearest button lie ${mm('to')} off bust level instead of ${mm('from')}.`,
  'loosen-pin': (d, mm) =>
    `Let button ${Number(d.index) + 1} go from ${mm('from')}: it would then lie at ${mm('to')}. A hole already cut stays, of course.`,
  'loosen-head': (d, mm) =>
    d.to === 0 || d.to === undefined
      ? 'Let the first gap be like the others.'
      : `Let the first gap be ${mm('to')} instead of ${mm('from')}.`,
  'first-gap-too-long': (_, mm) =>
    `A first gap of ${mm('gap')} is too long to be the shortest of them on this line. At most ${mm('most')} would go.`,
  'loosen-group': (d) => `Let the buttons stand one by one instead of in groups of ${d.from}.`,
  'button-wider-than-band': (_, mm) =>
    `A button ${mm('diameter')} across is too wide for a band of ${mm('width')}. At most ${mm('most')} would do.`,
  'lap-narrow': (_, mm) =>
    `Its ends lap by ${mm('lap')}; for this button they want at least ${mm('least')}, or it shows at the edge.`,
  'rows-close': (_, mm) =>
    `Two in line stand only ${mm('step')} apart, and want ${mm('least')}: a wider cuff, smaller buttons, or one.`,
  'columns-close': (_, mm) =>
    `Columns ${mm('across')} from the centre line touch each other: at least ${mm('least')} would do.`,
  'hole-near-edge': (_, mm) =>
    `The hole ends ${mm('left')} from the edge; with less than ${mm('least')} it tears out. Widen what lies beyond the centre line, or centre the hole.`,
  'gaps-uneven': (_, mm) => `To meet what is asked the gaps run from ${mm('least')} to ${mm('most')}.`,
  'extension-narrow': (_, mm) =>
    `The front reaches ${mm('extension')} beyond centre front; this button wants at least ${mm('least')}, or it hangs over the edge.`,
  'facing-narrow': (_, mm) =>
    `The front facing is ${mm('width')} wide, but behind these buttonholes it should reach ${mm('least')}. Widen the facing or take smaller buttons.`,
  'button-near-hem': (_, mm) =>
    `The lowest button sits ${mm('bottom')} above the hem; above the turned hem it wants at least ${mm('least')}.`,
  'button-near-neck': (_, mm) =>
    `The first button sits ${mm('top')} below the neck edge; it wants at least ${mm('least')}.`,
  // Plan.
  ...OF_PLAN,
};

/** The sentence for a finding, lengths in the sewist's unit. */
export function sentenceOf(f: Finding, unit: LengthUnit = 'mm'): string {
  const data: Data = { heal: 0.5, ...f.data };
  const mm = (key: string): string => {
    const v = data[key];
    return typeof v === 'number' ? formatLength(v, unit) : String(v ?? '?');
  };
  return inUnit(SENTENCES[f.code](data, mm), unit);
}
