/** What commonly goes wrong at a step, and how it is mended. */
export const SLIPS: Record<string, string> = {
  cut: 'A piece cut twice the same way round: cut one more, mirrored. Instructions often forget to say how many.',
  fuse: 'It bubbles: more seconds, less steam, and let it cool before it is moved. Bubbles that stay come off with heat and are fused anew.',
  staystitch: 'The neck has stretched already: draw the staystitching up to the length of the pattern.',
  sew: 'A layer is caught, or the ends do not meet: unpick from the nearest crossing, pin from there outward, and sew it again.',
  'sew-part': 'The two ends differ: unpick the second, lay it on the first, and baste before you stitch.',
  neaten: 'The edge is eaten into: the allowance is narrower there now; sew the seam at its line, not from the edge.',
  'neaten-together':
    'It puckers: the two edges were pulled. Steam them flat; sew on with the hands beside, not behind the foot.',
  'press-open':
    'Allowances show through as ridges: press again with a strip of paper under them, and lift the iron, do not slide it.',
  'press-to-a': 'A pleat is pressed into the seam: press it flat as it was sewn first, then over from the right side.',
  'press-to-b': 'A pleat is pressed into the seam: press it flat as it was sewn first, then over from the right side.',
  topstitch: 'The line wanders: unpick to the last good stitch, begin again in its holes, and knot the threads inside.',
  'press-hem':
    'It stands off in waves: the raw edge is longer than where it lands. Draw it up with a row of long stitches, or make it narrower.',
  'threads-out': 'A basting thread will not come: cut it every few stitches, never pull a whole row.',
  'sew-buttons': 'The button sits too tight to close: sew it again over a match, and wind the shank.',
  'mark-holes':
    'Marks do not meet the line of the buttons: close the front, measure from the top, and mark the lower layer through the upper.',
  'try-on':
    'It pulls across: let the side seams out as far as their allowance goes before anything is sewn across them.',
  'sew-darts':
    'A pucker at the point: the last three stitches ran off too steeply. Unpick the last {15 mm} and sew along the fold.',
  'ease-cap': 'Tucks instead of ease: draw up less, steam the fullness away over a ham.',
  'sew-edge': 'Left and right corner differ: baste the second from the first, laid on each other.',
  understitch: 'The edge shows the facing: unpick, trim the facing a little and understitch again.',
  'sew-wrist':
    'The lining is twisted: pull the sleeve through, look down it, seam on seam, before you stitch the second one.',
  'sew-armholes': 'A layer is caught: unpick there; roll what lies between more tightly before you stitch.',
  turn: 'It will not come: the opening is too short, or a layer is caught in a seam. Do not tear: unpick a little more.',
  'pull-through': 'Stuck in the shoulder: pull the lining and the shell one after the other, not both at once.',
  'yoke-roll': 'Part of the shirt is caught in the seam: unpick there, roll it more tightly, sew again.',
  'cover-seam':
    'The fold misses the seam on the other side: baste from the side that shows, unpick only where it missed.',
  'snip-corners': 'Snipped too far: a scrap of fused interfacing behind the corner, and sew one thread farther in.',
  'sew-zip':
    'A dimple below the zip: the seam below does not start where the zip stitching ends. Open {20 mm} and sew it again with the zip foot.',
  'sew-snaps':
    'The halves have shifted against each other: chalk the first ones again, close the front, and move the others.',
  'cut-holes': 'Cut past the bar: a few hand stitches and a drop of sealant.',
  'sew-holes': 'The machine stuck on a thick place: support the foot with a folded scrap and start clear of the edge.',
  'sew-mitre':
    'The corner does not lie square: the creases were not on each other. It has not been trimmed yet; unpick.',
  'hem-blind': 'Stitches show: catch one thread of the cloth only and leave the hem loose.',
  'sew-rib': 'It ripples: stretch more evenly, quarter by quarter.',
  'cover-ditch': 'The inner edge was missed in a place: catch it by hand.',
  'grade-edge':
    'Clipped through the seam: a scrap of interfacing behind it, and stitch past the place a thread farther in.',
};
