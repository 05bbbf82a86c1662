import { type FindingCode } from '../core/findingcodes.ts';
import { type Custom } from '../core/plan/index.ts';
import { capital, inSentence } from '../core/text.ts';
import { called } from './roles.ts';
import { type Data, type Say } from './say.ts';

const lowered = (seam: string | number | undefined): string => inSentence(String(seam ?? 'its seam'));
const step = (d: Data): string => String(d.step ?? 'A step');
const other = (d: Data): string => String(d.other ?? 'another step');

/** What an edge of the outside can end in. */
const NO_FINISH: Record<string, string> = {
  neckline: 'A facing, a bias strip, a lining to the edge or a collar would close it.',
  armhole: 'A facing, a bias strip, a lining to the edge or a sleeve would close it.',
  'front-edge': 'A facing, a band or a placket would close it.',
  waist: 'A waistband, a facing or a bodice would close it.',
};

/** Why the usual is usual. */
const WHY: Record<Custom, string> = {
  'press-first': 'what is pressed lies flat when it is crossed or covered, and later the iron no longer comes to it',
  'stay-first': 'an edge that is not stayed stretches while it is handled',
  'fuse-first': 'interfacing is fused best while the piece lies flat by itself',
  'try-on-first': 'after this it is hard to unpick: it is tried on first',
  'look-first': 'what is found now is not found in the good cloth later',
  'neaten-first': 'an edge is neatened most easily while it lies open',
  'trim-first': 'allowances are thinned before they are laid into place',
  'ease-first': 'fullness is drawn in before it has to fit',
  'while-flat': 'on a flat piece it is easier than in the round',
  'topstitch-first': 'it is stitched while that part still lies flat and open',
  'turn-first': 'it is turned while nothing else hangs on it',
  'hem-first': 'a small edge is hemmed more easily before it hangs on the rest',
  'seam-first': 'a seam is sewn before another runs across its end',
  'threads-first': 'a thread that is not needed any more comes out while it can be reached',
  usual: 'it is easier so',
};
const why = (d: Data): string => WHY[String(d.why) as Custom] ?? WHY.usual;

/** What is said of an order of making. */
export const OF_PLAN = {
  'edge-left-raw': (d) =>
    `The ${called(d.role)} edge of "${d.piece}" stays raw: no step encloses, binds, overlocks or hems it.`,
  'cut-too-few': (d) =>
    `"${d.piece}" is made of two layers: cut ${d.need} of it, not ${d.cut}. Say so at the piece, and the cut list follows.`,
  'piece-not-planned': (d) =>
    `"${d.piece}" has no place in this plan: Woodbine does not know where it is sewn on. Follow the pattern's own words for it.`,
  'used-before-made': (d) => `${step(d)} comes before ${other(d)}: there is nothing yet to do it to.`,
  'usual-otherwise': (d) =>
    `${step(d)} comes before ${other(d)}. It can be done so; usually it is the other way round: ${why(d)}.`,
  'usual-left-out': (d) =>
    `${capital(other(d))} is left out before ${inSentence(step(d))}. It can be; usually it is done: ${why(d)}.`,
  'works-on-unsewn': (d) =>
    `${step(d)} works on a seam that is only sewn in ${other(d)}: there are no allowances to press or trim yet.`,
  'covers-unsewn': (d) =>
    `${step(d)} stitches a layer over a seam that is only sewn in ${other(d)}: it could not be reached any more.`,
  'pressed-away': (d) =>
    `${step(d)} presses the allowances away from the layer that ${inSentence(other(d))} folds over them: they would stay outside it, raw.`,
  'step-left-out': (d) => `${step(d)} has nothing to work on: ${other(d)} is left out.`,
  'seam-sewn-twice': (d) => `${d.seam ?? 'A seam'}: sewn ${d.times} times where ${d.asked} is asked.`,
  'pocket-sewn-shut': (d, mm) =>
    `${step(d)} sews the pocket shut: ${mm('mm')} of its mouth in ${lowered(d.seam)} has to stay open.`,
  'extra-does-not-fit': (d) =>
    `${d.extra ?? 'What you added'} is left out: ${d.reason ?? 'this garment has no place for it'}.`,
  'seam-not-sewn': (d) => `${d.seam ?? 'A seam'}: no step sews it.`,
  'seam-part-open': (d, mm) =>
    `${d.seam ?? 'A seam'}: ${mm('mm')} of it ${Number(d.times) > 0 ? `sewn ${d.times} of ${d.asked} times` : 'never sewn'}.`,
  'layer-faces-wrong': (d) => `${step(d)} leaves "${d.piece}" with its right side the wrong way.`,
  'end-closed': (d) =>
    `${step(d)} runs into an edge that ${other(d)} has already closed between two layers. Sew it before, or stop that edge short of it.`,
  'edge-closed-off': (d) => `${step(d)} works on what ${other(d)} has closed off: it can no longer be reached.`,
  'no-way-to-turn': (d, mm) =>
    `${step(d)}: the longest edge still open measures ${mm('open')}, and ${mm('least')} are needed to turn it. Leave an opening.`,
  'tubes-in-a-circle': (d) =>
    `${step(d)} cannot be done: after ${other(d)} the tubes (${d.seam ?? 'A seam'}) form a closed loop. Do that afterwards, leave the centre back open, or fell the armholes by hand.`,
  'tube-too-narrow': (d, mm) =>
    `${step(d)}: ${d.seam ?? 'A seam'} is only ${mm('wide')} wide, too narrow to pull the garment through; it wants ${mm('least')}.`,
  'never-turned': (d) => `What ${inSentence(step(d))} closes is never turned right side out.`,
  'edge-has-no-finish': (d) =>
    `The ${called(d.role)} of the outside ends in nothing. ${NO_FINISH[String(d.role)] ?? 'Give it a facing, a bias strip or a hem.'}`,
  'lapel-with-stand': () =>
    'A lapel turns back below the neck, a stand closes up to it: the two cannot be made together. Choose a facing without a lapel, or leave the stand out for a notched collar.',
  'method-does-not-fit': (d) =>
    `${d.topic ?? 'A choice'}: “${d.method}” does not go with this garment, since ${d.reason}. ${d.instead ? `These do: ${d.instead}.` : 'No other way fits either.'}`,
  'need-not-made': (d) => `The step ${d.operation} needs ${d.need}, which no step makes.`,
  'needs-in-a-circle': (d) => `These steps wait for each other: ${d.operations}.`,
} satisfies Partial<Record<FindingCode, Say>>;
