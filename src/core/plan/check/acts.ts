import { edgesOf } from '../garmentmodel.ts';
import { type Joint, type Operation } from '../types.ts';

/**
 * What a step acts on is made by another: without that there is nothing to do it to, whatever the order. By kinds of step, each
 * on pieces that both touch. All that follows from the cloth itself (what is sewn, shut in, turned) is computed instead.
 */
const ACTS_ON: Readonly<Record<string, readonly string[]>> = {
  'bind-slit': ['cut-slit'],
  'hem-slit': ['cut-slit'],
  'press-slit': ['bind-slit'],
  'stitch-tower': ['cut-tower', 'sew-tower'],
  'half-press': ['half-cut', 'half-bands'],
  'half-box': ['half-cut', 'half-bands'],
  'bags-round': ['bags-on'],
  'press-bags': ['bags-on'],
  'neaten-bags': ['bags-round'],
  'check-zip': ['baste-zip'],
  'thread-elastic': ['stitch-casing'],
  'close-casing': ['thread-elastic'],
  'thread-cord': ['cord-casing'],
  'close-lowest': ['sew-buttons'],
  'sew-ruffle': ['gather-ruffle'],
  'neaten-ruffle': ['sew-ruffle'],
  'neaten-peplum': ['sew-peplum'],
  'turn-tube': ['sew-tube'],
  'press-tube': ['turn-tube'],
  'close-tube': ['turn-tube'],
  'baste-ties': ['turn-tube'],
  'turn-detachable': ['sew-detachable'],
  'band-detachable': ['turn-detachable'],
  'fasten-detachable': ['band-detachable'],
  'turn-tab': ['sew-tab'],
  'press-tab': ['turn-tab'],
  'baste-tab': ['turn-tab'],
  'turn-flap': ['sew-flap'],
  'press-flap': ['turn-flap'],
  'set-flap': ['turn-flap'],
  'press-darts': ['sew-darts'],
  'press-part': ['turn-part'],
  'press-turned': ['turn', 'pull-through'],
  'press-yoke': ['pull-yoke', 'yoke-sandwich'],
  'press-placket': ['sew-placket'],
  'cover-placket': ['sew-placket'],
  'fell-second': ['fell-trim'],
  'french-second': ['french-first'],
  'mark-mitre': ['press-hem'],
  'trim-mitre': ['sew-mitre'],
  'hem-blind': ['sew-mitre', 'trim-mitre'],
  'hem-machine': ['sew-mitre', 'trim-mitre'],
  'hem-fused': ['sew-mitre', 'trim-mitre'],
  'hem-rolled': ['sew-mitre', 'trim-mitre'],
  'pull-yoke': ['yoke-roll'],
  // Stitched through while it is still inside out, it could not be turned; basted shut, neither.
  topstitch: ['turn-part', 'turn', 'pull-through'],
  'catch-facing': ['turn', 'pull-through'],
  'baste-collar': ['turn-part'],
  // What lies between two layers is laid there before they are closed.
  'sew-edge': ['baste-collar'],
};

/** The same of seams, by what is joined: a cuff closes the end of its slit. */
const SEWN_ON: Readonly<Record<string, readonly string[]>> = {
  cuff: ['bind-slit', 'hem-slit', 'stitch-tower', 'cut-slit', 'cut-tower'],
};

const touch = (a: Operation, b: Operation): boolean =>
  (a.about !== null && a.about === b.about) || a.pieces.some((p) => b.pieces.includes(p)) || !b.pieces.length;

/** Whether a step can't be done at all before another, which it waits for: there is no cloth yet, or not what it acts on. */
export const cannotBefore = (step: Operation, made: Operation): boolean =>
  made.code === 'cut' ||
  (ACTS_ON[step.code]?.includes(made.code) && touch(step, made)) ||
  (step.about !== null && step.sews.length > 0 && SEWN_ON[step.about]?.includes(made.code)) ||
  false;

const closesLayers = (o: Operation): boolean => o.stack.some((l) => l.swings === 2);

/** Whether the second cuts allowances, or sews across edges, that the first shuts in between its layers or turns inside. */
function shutsIn(step: Operation, made: Operation, joints: ReadonlyMap<string, Joint>): boolean {
  const of = (ids: string[]): string[] => edgesOf(ids.flatMap((id) => joints.get(id) ?? []));
  if (step.turns) return closesLayers(made) || made.works.some((w) => joints.get(w)?.closing);
  if (!closesLayers(step)) return false;
  const shut = new Set(of(step.sews.map((x) => x.joint)));
  return of(made.sews.map((x) => x.joint)).some((k) => shut.has(k));
}

/**
 * Whether a step that waits for another must: no cloth yet, no seam to work on, nothing below what is stitched over it, or what is
 * to be done lies shut in afterwards. As the two of them tell; whatever else a step waits for is custom.
 */
export const mustFollow =
  (joints: ReadonlyMap<string, Joint>) =>
  (step: Operation, made: Operation): boolean => {
    const sewn = new Set(made.sews.map((x) => x.joint));
    return (
      cannotBefore(step, made) ||
      step.works.some((w) => sewn.has(w)) ||
      step.sews.some((x) => sewn.has(joints.get(x.joint)?.covers ?? x.joint)) ||
      shutsIn(step, made, joints)
    );
  };
