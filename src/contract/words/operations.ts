import { type OperationCode } from '../../core/plan/index.ts';
import { EXTRAS, FINISH } from './finishing.ts';
import { JOINING } from './joining.ts';
import { type Line } from './line.ts';

const PREPARE = {
  cut: [
    'Cut all pieces',
    'Weights and chalk before scissors. Mark notches, grainline and centre front; pieces for a pair are cut mirrored. Count them against the list: {#pieces} layers of cloth.',
  ],
  'test-fuse': [
    'Fuse a test square',
    'Try heat, steam and seconds on a scrap of the same cloth and write down what held.',
  ],
  fuse: [
    'Fuse the interfacing: {pieces}',
    'Adhesive side down on the wrong side, pressing and lifting, not sliding. Leave it flat until cold.',
  ],
  'fuse-zip': [
    'Fuse a strip behind the zip',
    'A strip of {25 mm} on the wrong side along the edge, running on above and below; the floppier the cloth the more it is needed.',
  ],
  staystitch: [
    'Staystitch: {pieces}',
    'Straight after cutting, inside the allowance, {inside} from the seam line, so that the curve does not stretch.',
  ],
  'sew-darts': [
    'Sew the darts: {pieces}',
    'From the wide end to a point with no thread to spare{tied?; tie the tails}{backstitched?, two stitches back in the fold}{run-off?, the last stitches short and along the fold; leave tails of 20 mm}. {#darts} on each half.',
  ],
  'press-darts': [
    'Press the darts: {pieces}',
    'Flat as sewn, then over a ham: upright ones towards the {to-centre?centre}{to-sides?side seams}, level ones downward.',
  ],
  'baste-pleats': [
    'Lay and baste the pleats: {pieces}',
    'Fold along the marks, baste across the top, press lightly.{overSeam? The seam lies at the edge of the fold: {pleat} taken up in all, down to where it runs out.}',
  ],
  'ease-cap': [
    'Run ease stitches along the cap: {pieces}',
    'Two rows of long stitches within the allowance between the notches; draw up about {ease}.',
  ],
  'reinforce-corners': [
    'Reinforce the corners for the inset yoke',
    'Pin centre, corners, notches and shoulders first. Stitch on the seam line from notch to corner to notch, pivoting with the needle down; look at it before you cut.',
  ],
  'snip-corners': [
    'Snip to the corners',
    "Cut the body's allowance to a thread from each corner, not through the stitching. The yoke is not snipped.",
  ],
} satisfies Record<string, Line>;

const SEAMS = {
  sew: [
    'Sew: {seam}',
    "{ventBelow?Clip the underlap's allowance to the end of the stitching, so that the seam above it can be pressed open.}",
  ],
  neaten: [
    'Neaten the edges: {seam}',
    'Each edge by itself, trimming nothing off: the allowance is still needed.{zigzag? A wide zigzag, its right swing just off the edge.}',
  ],
  'neaten-together': [
    'Neaten both edges together: {seam}',
    'The two allowances as one.{zigzag? A wide zigzag, its right swing just off the edge.}',
  ],
  'bind-seam': ['Bind the edges: {seam}', 'Bias binding folded round the raw edge, stitched through all.'],
  'press-open': [
    'Press open: {seam}',
    'First flat as sewn, then open, over a ham where it curves. Before any other seam crosses it.',
  ],
  'press-to-a': ['Press to one side: {seam}', 'Flat as sewn, then both allowances towards the {towards}.'],
  'press-to-b': ['Press to one side: {seam}', 'Flat as sewn, then both allowances towards the {towards}.'],
  'french-first': [
    'First pass of the French seam: {seam}',
    'Wrong sides together, {first} from the raw edge. The second pass takes {second}: together they are the allowance of the pattern.',
  ],
  'french-trim': [
    'Trim and turn: {seam}',
    'Trim to {trim}, less than the second pass, press, and fold right sides together along the seam.',
  ],
  'french-second': [
    'Second pass of the French seam: {seam}',
    'Right sides together, the raw edges shut in. No thread may show on the right side.',
  ],
  'fell-trim': ['Trim for the fell: {seam}', 'Cut one allowance to {narrow}, fold the other over it and press.'],
  'fell-second': [
    'Stitch the fell down: {seam}',
    'Close along the fold, from the right side or the wrong as you like the look.',
  ],
} satisfies Record<string, Line>;

const PARTS = {
  'sew-part': [
    'Sew the two layers together: {seam}',
    'From open edge round to open edge, the under layer drawn out by {turn} along the outer edge so that the seam rolls to its side. One stitch across each corner.',
  ],
  'trim-part': [
    'Grade and trim: {seam}',
    'The allowance nearest the outside stays widest: {graded}. Points cut across, both sides trimmed.',
  ],
  'turn-part': ['Turn right side out: {seam}', 'Push the corners out with something blunt, never with scissors.'],
  'press-part': ['Press: {seam}', 'The seam rolled a thread to the side that is not seen.'],
  topstitch: [
    'Topstitch: {seam}',
    '{in} from the edge, with a longer stitch, 3 on the machine.{aboveRib? Begin and end where the rib is sewn on: the rib stays free to give.}',
  ],
  'press-under': [
    'Press the edge under: {pieces}',
    'Along the seam line to the wrong side, before it is joined: it will cover the seam. A hair less than the allowance, so that it reaches.',
  ],
  'collar-sandwich': [
    'Sew the collar between the stands',
    'Under collar to the outer stand, upper collar to the inner one, centre backs and notches matched; round the ends of the stand. The collar ends at the centre fronts.',
  ],
  'stand-sandwich': [
    'Sew the neck between the two stands',
    'Outer stand to the right side, inner to the wrong side of the neck, in one seam.',
  ],
  'clip-before': [
    'Clip the hollow edge before it is joined: {seam}',
    'To {2 mm} from the seam line, {clips}. It opens to the length of the edge it is sewn to.',
  ],
  'clip-curve': [
    'Clip and notch the curve: {seam}',
    'To {2 mm} from the stitching: {clips}. Notch the other allowance between those cuts, so that no two meet.',
  ],
  'trim-curve': ['Trim the curved seam: {seam}', 'Both allowances to {narrow}: so narrow they lie flat without clips.'],
  'clip-neck': ['Grade and clip the neck: {seam}', 'Allowances to {graded}; {clips}.'],
  'press-into': ['Press up into it: {seam}', 'All allowances up, away from the body.'],
  'cover-seam': [
    'Stitch the folded edge over the seam: {seam}',
    'The pressed edge just covers the stitching; baste, then stitch close to the fold from the side that shows.',
  ],
  'fell-cover': [
    'Fell the folded edge over the seam: {seam}',
    'From within, small stitches through the fold and the allowances only: nothing shows outside.',
  ],
  'cover-ditch': [
    'Stitch in the ditch: {seam}',
    'The inner edge reaches {2 mm} past the seam; stitch from the right side in the groove, catching it beneath.',
  ],
  'baste-collar': [
    'Baste the collar to the neck',
    'Under collar to the right side of the neck, ends at the centre fronts. The facing goes over it.',
  ],
  'collar-bias': [
    'Sew collar and bias strip to the neck',
    'Collar between neck and strip; trim, fold the strip over the allowances and stitch it down inside.',
  ],
  'match-notches': [
    'Look at both notches',
    'Left and right alike, both collar ends as long: the seams of shell and facing must meet at the notch.',
  ],
  'hood-neck': [
    'Sew the hood to the neck',
    'Centre back and shoulder marks matched, front ends at their marks; the part of its edge for the zip stays free.',
  ],
  'hem-hood': ["Hem the hood's opening", 'Turn under twice and stitch.'],
  'bind-neck': ['Bind the neck seam', 'Over all allowances, from front to front.'],
  'yoke-sandwich': [
    'Sew the back between the two yokes',
    'Outer yoke to the right side of the back, inner yoke with its right side to the wrong side of the back: three layers, one seam.',
  ],
  grade: ['Grade: {seam}', 'Allowances to {graded}, the widest to the outside.'],
  'press-yoke': ['Press the yoke', 'Both yokes up, away from the back; shoulders likewise.'],
  'yoke-roll': [
    'Roll the shirt up and close the shoulders inside',
    'Roll back and fronts up on the outer yoke, bring the inner yoke round the roll, right sides together along each shoulder, and stitch on the first stitching.',
  ],
  'pull-yoke': ['Pull the shirt out through the neck or armhole', 'Slowly, the bulk first.'],
  'yoke-cover': [
    'Stitch the inner yoke down at the shoulders',
    'Its pressed edge over the seam; stitch from the right side, {in} from it.',
  ],
} satisfies Record<string, Line>;

const FRONTS = {
  'press-band': [
    'Fold and press the button band twice',
    'Each time {width}: {beyond} lie beyond centre front in all. Both fronts alike.',
  ],
  'stitch-band': ['Stitch the button band', 'Along the inner fold, top to bottom on both fronts.'],
  'neaten-self': ["Neaten the front facing's edge", 'Neatened or turned; it is in one with the front.'],
  'press-self': ['Press the facing back', 'Along the fold of the front edge.'],
  'sew-placket': [
    'Sew the band to the front',
    'Right sides together, from neck to hem; ends closed first where they show.',
  ],
  'press-placket': ['Press the band outward', 'Allowances into the band.'],
  'cover-placket': [
    'Stitch the band over its seam',
    'Folded on itself, its pressed edge over the seam; edge-stitch both long edges.',
  ],
  'press-fly': [
    'Fold the hidden placket',
    'Fold {width}, then back on itself, then again: the holes lie in the layer underneath.',
  ],
  'stitch-fly': ['Stitch the hidden placket', 'Through the layers that hide; the outer one stays free.'],
  'tack-fly': ['Tack the layers between the holes', 'A few stitches, so that it does not gape.'],
  'half-bands': [
    'Sew the half placket on',
    'Right sides together on both sides of the cutting line, to the mark and no farther.',
  ],
  'half-cut': [
    'Cut the half placket open',
    'Along the middle, then into both lower corners, to a thread from the stitching.',
  ],
  'half-press': ['Press the bands through', 'To the wrong side, each folded to its finished width.'],
  'half-box': ['Close the lower end', 'One band on the other, a box stitched through all at the foot.'],
  'baste-zip': [
    'Baste the zip',
    'Teeth between the layers, top stop {20 mm} below the cut edge. Cross seams level on both sides.',
  ],
  'check-zip': ['Close it and look', 'Do the crossings meet? Does it lie without a dimple?'],
  'neaten-zip': ['Neaten the edges for the zip', 'Each by itself, before it is turned in.'],
  'sew-zip': [
    'Sew the zip in',
    'One side, test, then the other; {zip} long. Plastic teeth may be sewn over, metal not.',
  ],
  'zip-lining': [
    'Sew the inside to the zip tape',
    'Lining and facing right sides to the tape, teeth between, from the neck to {15 mm} short of its end.',
  ],
  'close-neck-ends': [
    'Close the neck beside the zip',
    'The {open} left open at each end: the inside folded back over the zip, stitched along the neck; the corner clipped across, turned.',
  ],
  'fell-zip': ['Slip the lining to the zip tape', 'Fold its edge under {2 mm} from the teeth and fell it by hand.'],
} satisfies Record<string, Line>;

const SLEEVES = {
  'stay-slit': ['Stitch round the slit', 'Small stitches {3 mm} beside the line, to a point; {slit} long.'],
  'cut-slit': ['Cut the slit', 'Along the line to the mark, {slit} long.'],
  'bind-slit': [
    'Bind the slit',
    'Open it out straight; a strip {strip} long and {wide} wide, sewn on, folded over and stitched.',
  ],
  'press-slit': [
    'Press the binding in',
    'On the overlap turned under, on the underlap out; a slant of stitches across its top.',
  ],
  'press-tower': ['Fold and press both parts of the tower', 'Overlap {over} wide, underlap {under}.'],
  'sew-tower': [
    'Sew the tower to the sleeve',
    'Right side of the strips to the wrong side of the sleeve, round the line.',
  ],
  'cut-tower': ['Cut the tower open', 'To the middle, then into both corners.'],
  'stitch-tower': ['Stitch the tower down', 'Underlap first, then the overlap with its point, a bar across.'],
  'hem-slit': ['Hem the slit', 'Narrow, running out to nothing at its top; a tuck there holds it.'],
  'fell-sides': [
    'Slip the sides of the lining together',
    'Fold one edge in and lay it over the other; small stitches by hand, from hem to armhole.',
  ],
  'baste-fronts': [
    'Baste the second layer of the fronts',
    'Wrong sides together along side and armhole, as they are worn: both layers go into the side seams.',
  ],
  'sew-cut-out': [
    'Sew round from within: {seam}',
    'Reach in between shell and lining through the hem and bring both edges out, right sides together. Sew one half of it, turn it back and look; then the other. Clip the curve.',
  ],
  'sew-rise-round': [
    'Sew one leg into the other: {seam}',
    'One leg turned right side out and slipped into the other, right sides together, inseam on inseam; from front waist to back waist in one run. A second row beside the first holds the deepest curve.',
  ],
  'sew-inseam-through': [
    'Sew through the crotch: {seam}',
    'From one hem up to the crossing of the rise, where both seams meet, and down to the other hem in one run.',
  ],
  'gather-wrist': ['Lay pleats or gathers at the wrist', 'The sleeve measures {a}, the cuff seam {b}.'],
  'turn-back-cuff': ['Press the cuff back', 'Half of it, or where it is to fold; a stitch at the seam holds it.'],
  'baste-lining-wrist': ['Baste the sleeve lining to the wrist', 'Seam to seam and not twisted.'],
  'press-wrist': ['Press up the wrists', 'Fold {depth} to the wrong side along the wrist line.'],
  'hem-wrist-hand': [
    'Hem the sleeves by hand',
    'Catch the turned wrist with loose stitches; slip a lining to it, seam to seam and not twisted.',
  ],
  'hem-wrist-machine': ['Hem the sleeves', 'Turned twice and stitched, {depth} in all.'],
  'stitch-casing': [
    'Stitch the casing',
    'As wide as the elastic and {3 mm}{gap?; leave a gap of {50 mm} to thread it}.',
  ],
  'thread-elastic': [
    'Thread the elastic',
    'With a safety pin; not twisted. {lapped?Lap its ends {10 mm} and sew them.}{caught?Baste its ends to the edges of the sleeve: the seam catches them.}',
  ],
  'close-casing': ['Close the casing', 'Stretch the elastic flat while you stitch the gap.'],
} satisfies Record<string, Line>;

/** Every kind of step the plan knows has its words. */
export const OPERATIONS: Record<OperationCode, Line> = {
  ...PREPARE,
  ...SEAMS,
  ...PARTS,
  ...FRONTS,
  ...SLEEVES,
  ...JOINING,
  ...FINISH,
  ...EXTRAS,
};
