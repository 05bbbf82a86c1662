import { type Line } from './line.ts';

/** Steps that join the layers, and what follows them before the finish. */
export const JOINING = {
  'measure-layers': [
    'Hold the two layers against each other',
    'Flat, seam on seam: every edge that is to be joined within {2 mm} of its like. Let a seam out or take it in now.',
  ],
  'sew-edge': [
    'Sew the inside to the shell: {seam}',
    '{neck?Shoulder seams and centre backs matched. }{length} on each half.{corners? Turn on the needle with one stitch across each corner.}',
  ],
  'grade-edge': [
    'Grade, clip and trim: {seam}',
    '{stitched?Beyond the understitching, from behind. }Allowances to {graded}, the widest to the outside; {clips}.{corners? Corners cut across.}',
  ],
  understitch: [
    'Understitch: {seam}',
    'Allowances towards the inside, stitch {2–3 mm} from the seam through it and them{corners?, as far into the corners as the foot goes}.',
  ],
  'press-edge': ['Roll and press the edge: {seam}', 'The seam a thread to the inside, basted while you press.'],
  'baste-neck': ['Baste the facing to the neck edge', 'Raw edges level.'],
  'sew-armholes': ['Sew the armholes', 'The inside {smaller} smaller, so that it rolls inside.'],
  'fell-armholes': [
    'Fell the lining into the armholes',
    "Fold its edge under and slip it to the shell's turned allowance.",
  ],
  turn: ['Turn it right side out', 'Slowly, the bulk first{corners?; corners out with something blunt}.'],
  'pull-through': [
    'Pull the backs through the shoulders to the front',
    'Reach in from the front through a shoulder, take the back, and draw it out.',
  ],
  'press-turned': ['Press the turned edges', 'Rolled a thread to the inside.'],
  'sew-wrist': [
    'Join sleeve and sleeve lining at the wrist',
    'Reach between the layers, seam to seam and not twisted. Lining {a}, turned hem {b}.',
  ],
  'sew-vent': [
    'Join the lining to the vent',
    'To the raw edge of the extension on the overlap ({over}), to the turned edge of the underlap ({under}). Clip the lining to its inner corner first.',
  ],
  'press-vent': [
    'Press the vent',
    "Fold the overlap's extension back along the seam, turn the underlap's edge in by {turned}.",
  ],
  'hem-vent': ['Hem the edges of the vent', 'Turned under and stitched, or caught by hand.'],
  'sew-hem': [
    'Join the lining to the hem',
    "Raw edge of the lining to the raw edge of the shell's hem, {length} on each half. Side seams matched.",
  ],
  'sew-hem-edge': ['Join the layers along the hem', 'Seams matched, {length} on each half.'],
  'tack-hem': [
    'Hold the hem to the seam allowances',
    'A few loose stitches at every seam, through allowances only; wrists likewise. The last {stop} beside each facing by hand.',
  ],
  'close-opening': ['Close the opening', 'Fold both edges in and stitch the {opening} closed.'],
  'fell-shoulders': ['Fold the lining shoulders in and fell them', 'Over the seam of the shell, by hand.'],
  'close-slots': [
    'Close neck and armholes at the shoulders',
    'The ends that were left open, one shoulder after the other, reaching between the layers.',
  ],
  'fell-lining': [
    'Fell the lining to the facings',
    'Its edge folded under on the seam line, slipped to the facing, eased where it is longer; not pulled tight.',
  ],
  'baste-waist-lining': [
    'Baste the lining to the waist{ofBodice? of the bodice}{ofSkirt? of the skirt}',
    'Seams matched.',
  ],
  'baste-armholes': [
    'Baste the armholes of shell and lining together',
    'Wrong sides together, seams matched; the sleeves are set through both.',
  ],
  'fell-caps': ['Slip the sleeve linings over the armhole seams', 'Edge folded under, eased in, by hand.'],
  'line-slit': [
    'Join the lining to the slit',
    'To the turned allowance on both sides, {slit} long; it stops at the top of the slit.',
  ],
  'hem-slit-edges': ['Hem the edges of the slit', 'Turned in and stitched, {slit} long, a bar across the top.'],
  'foot-facing': [
    'Sew across the lower ends of the facings',
    'Folded back right sides together along the front edge, stitched on the hem line; trim and turn.',
  ],
  'fold-in': ['Turn the facing in', 'To the inside, the seam rolled a thread; press.'],
  'bias-wrapped': [
    'Bind the edge with the bias strip',
    'The allowance is trimmed away first. Sewn on {finished} from the edge, stretched a little in hollows, folded round and stitched. Strip {a} long.',
  ],
  'bias-turned': [
    'Face the edge with the bias strip',
    'Sewn on the seam line, trimmed, turned wholly inside and stitched {finished} from the edge. Strip {a} long.',
  ],
  'neaten-facing-overlocked': [
    "Neaten the facings' free edges",
    'All round what is joined to nothing.{zigzag? A wide zigzag, its right swing just off the edge.}',
  ],
  'neaten-facing-bound': ["Bind the facings' free edges", 'The weight of the binding keeps them down.'],
  'neaten-facing-pressed': ["Fold the facings' free edges under", 'Press {10 mm} under and edge-stitch.'],
  'catch-facing': [
    'Catch the facing at the seams',
    'A few stitches to the allowances at shoulders and centre back, or in the ditch.',
  ],
  'sew-rib': [
    'Sew the rib on',
    'Stretched evenly to the edge, quarter marks to the seams; its length is {#share} % of the edge.',
  ],
  'end-rib': [
    'Close the ends of the rib',
    'Folded along its length right sides together, both short ends sewn across; turned, they lie level with the front edges.',
  ],
  'close-sides': [
    'Sew the rest of the side seams',
    'From where each stopped down to the hem, the length being settled; backstitch over the first stitching.',
  ],
  'close-below-zip': [
    'Close the seam below the zip',
    'From its foot down to where the seam begins, {below}, the zip foot close to the stitching, so that no dimple is left.',
  ],
  'close-rib': ['Close the rib into a ring', 'Ends together, then folded along its length, wrong sides together.'],
} satisfies Record<string, Line>;
