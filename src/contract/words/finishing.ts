import { type Line } from './line.ts';

export const FINISH = {
  'press-hem': [
    'Press up the hem of the shell',
    'Fold {depth} to the wrong side along the hem line while it can still lie flat.',
  ],
  'neaten-hem': [
    "Neaten the hem's raw edge",
    'Neatened or bound; thin the seam allowances inside the hem.{zigzag? A wide zigzag, its right swing just off the edge.}',
  ],
  'hem-blind': [
    'Hem the shell by hand',
    'Turned up {depth}, caught with loose blind stitches, one thread of the cloth each.',
  ],
  'hem-fused': [
    'Fuse the hem',
    'Turned up {depth}, a strip of web between hem and cloth, pressed and lifted, not slid. Steam undoes it again.',
  ],
  'hem-machine': ['Hem the shell by machine', 'Turned twice, {depth} in all, stitched close to the inner fold.'],
  'hem-rolled': [
    'Roll the hem',
    'Stitch, trim close, roll once more and stitch again: as narrow as the cloth lets you.',
  ],
  'lining-hem': ['Hem the lining', 'Turn {turn1}, then {turn2}, press first, then stitch.'],
  'lining-wrist': ['Hem the sleeve linings', 'Turn {turn1}, then {turn2}, press and stitch.'],
  'thread-chains': ['Thread chains at the side seams', 'Chains {25–40 mm} long hold the free lining to the shell.'],
  'mark-mitre': [
    'Fold and mark the mitre',
    'Both hems pressed up; mark where the creases cross. {fold?On the half that laps over, folded back by {fold}: from the cut corner {alongHem} along the hem and {alongSide} along the side edge. }{side?On the half below, its edge turned by {side}: {underHem} along the hem and {underSide} along the side edge.}',
  ],
  'sew-mitre': [
    'Sew the mitre',
    'Folded diagonally, creases on creases, right sides together; stitch from the finished edge to the fold. Turn it to look before you trim.',
  ],
  'trim-mitre': ['Trim the mitre', 'To {6 mm}, the point cut across; press open and turn.'],
  'try-on': [
    'Try it on',
    'Shoulders, waist, sleeves and length, over what it will be worn with. After this it is hard to unpick.',
  ],
  'threads-inside': [
    'Take out the rows of the lining',
    'Ease and gathering rows, drawn out from one end: once the opening is closed they stay in.',
  ],
  'threads-out': [
    'Take out bastings and gathering rows',
    'Snip every hand’s breadth and draw them out; look on the right side too.',
  ],
  'press-all': ['Press all of it', 'Edges rolled a thread to the inside. Let it hang until dry before going on.'],
  'practise-holes': [
    'Practise one buttonhole',
    'On the same layers, interfacing included: opening {opening}, overall {overall}. Practise cutting it too.',
  ],
  'mark-holes': [
    'Mark the buttonholes',
    'Lay the marking strip along the front edge, neck end at the neck, and mark every hole, those of cuffs and tabs too: {#holes} in all.',
  ],
  'sew-holes': [
    'Sew the buttonholes',
    '{#holes} of them, opening {opening}. From the middle of the line outward, all in the same direction.',
  ],
  'cut-holes': ['Cut the buttonholes', 'A pin across each end as a stop; from the middle outward.'],
  'sew-snaps': [
    'Sew on the snaps or hooks',
    '{#snaps} of them. First the halves with the balls, on the underside of what lies on top; rub chalk on them, press together, and the other halves go on the marks.',
  ],
  'sew-buttons': [
    'Sew on the buttons',
    '{#buttons} of them; where there are holes, mark each place through its finished hole. Make a shank as long as the overlap is thick, wrap it, and knot.',
  ],
} satisfies Record<string, Line>;

export const EXTRAS = {
  'bags-on': [
    'Sew the pocket bags to the side seams',
    'One half to the allowance of each edge, right sides together, along the mouth ({mouth} long, between the marks).',
  ],
  'press-bags': ['Press the pocket bags outward', 'Understitch them if they would show.'],
  'bags-round': [
    'Sew round the pocket bags',
    'Both halves right sides together, from the upper end of the mouth round to its lower end. The mouth stays open: try a hand in it.',
  ],
  'neaten-bags': ['Neaten the pocket bags', 'Both layers together.'],
  'press-patch': ['Press the patch pockets', 'Hem first, then the edges over a card.'],
  'sew-patch': ['Stitch the patch pockets on', '{in} from the edge, a bar or triangle at each upper end.'],
  'sew-tube': [
    'Sew the ties',
    'Folded right sides together. {end?One end closed at a slant, {25 mm} along and {6 mm} up; they are turned through the other.}{gap?Both ends closed at a slant, {25 mm} along and {6 mm} up; a gap of {gap} in the middle to turn them.}',
  ],
  'turn-tube': ['Turn the ties', 'With a loop turner or a safety pin; {long} is a long way.'],
  'press-tube': ['Press the ties', 'Seam on the edge.'],
  'close-tube': ['Close the gap in the ties', 'Its edges turned in level with the seam, small stitches.'],
  'baste-ties': ['Baste the ties at their places', 'Raw edges level, before the seam goes over them.'],
  'sew-tab': ['Sew the tabs', 'Two layers, right sides together, round all but the end that is caught.'],
  'turn-tab': ['Trim and turn the tabs', 'Corners cut across; out with something blunt.'],
  'press-tab': ['Press the tabs', 'The seam on the edge; a buttonhole, where it has one, while it lies flat.'],
  'baste-tab': ['Baste the tabs at their places', 'Raw edges level, before the seam goes over them.'],
  'sew-flap': ['Sew the pocket flaps', 'Right sides together round three sides, the lining a hair smaller.'],
  'turn-flap': ['Trim and turn the pocket flaps', 'Graded to {3 mm}, corners cut across.'],
  'press-flap': ['Press the pocket flaps', 'The seam rolled under.'],
  'set-flap': [
    'Stitch the flaps above their pockets',
    'Upside down, right side to the front, {15 mm} above the pocket; trim, turn down and topstitch {in} from the fold.',
  ],
  'sew-label': ['Sew the label in', 'Before the facing is closed over it.'],
  'hook-and-eye': ['Sew on hook and eye', 'Above the zip or at the neck, edges meeting.'],
  gather: [
    'Gather: {pieces}',
    'Two rows of long stitches inside the allowance; draw up evenly to the marks{b?, from {a} to {b}}.',
  ],
  'hem-ruffle': ['Hem the ruffle', 'Before it is gathered, while it lies flat.'],
  'gather-ruffle': ['Gather the ruffle', 'In halves and quarters.'],
  'close-lowest': [
    'Button the lowest button and baste the fronts together',
    'Lower edges level: the ruffle is sewn over both.',
  ],
  'sew-ruffle': [
    'Sew the ruffle to the lower edge',
    'To the raw edge, in place of a hem: trim its hem allowance to a seam first. Quarter marks matched, gathers towards you.',
  ],
  'neaten-ruffle': ['Neaten the ruffle seam', 'Both edges together, pressed upward.'],
  'hem-peplum': ['Hem the peplum', 'Before it is joined.'],
  'sew-peplum': [
    'Sew the peplum to the lower edge',
    'To the raw edge, in place of a hem, right sides together: trim its hem allowance to a seam first.',
  ],
  'neaten-peplum': ['Neaten the seam of the peplum', 'Both edges together.'],
  'cord-holes': ['Make holes or eyelets for the cord', 'A patch behind them; before the casing covers the place.'],
  'cord-casing': ['Stitch the cord casing', 'Wide enough for the tool that threads it.'],
  'thread-cord': ['Thread the cord', 'A stop or knot at each end.'],
  'belt-loops': ['Make and baste the belt loops', 'Ends caught in the side seams at waist level.'],
  'stretch-collar': [
    'Stretch the outer edge of the detachable collar',
    'With steam, before it is sewn, until it lies round in a curve.',
  ],
  'sew-detachable': ['Sew short ends and outer edge of the detachable collar', 'The inner edge stays open.'],
  'turn-detachable': ['Turn and press the detachable collar', 'Corners out, the seam rolled under.'],
  'stretch-again': [
    'Stretch the outer edge once more',
    'With steam: the seam has drawn it in. It must lie flat round the neck.',
  ],
  'band-holes': [
    'Make the holes in the band of the detachable collar',
    'While it is a strip by itself; none where it is held by snaps. Practise one first.',
  ],
  'band-detachable': [
    'Sew the detachable collar to its band',
    "Its wrong side to the band's right side; tuck the other layer under and topstitch.",
  ],
  'fasten-detachable': [
    'Sew on the fastenings',
    'Flat buttons on a thread shank, or snaps, those at the very ends: centre back, a little below each shoulder seam, near each end. Few.',
  ],
} satisfies Record<string, Line>;
