import { lignes } from './buttonhole.ts';
import { columnsOf, type Fastener } from './choices.ts';
import { hasButtons, loopLength } from './fasteners.ts';
import { type Closure } from './model.ts';

/** One line of what to buy. */
export interface Buy {
  what: 'button' | 'snap' | 'press-stud' | 'hook' | 'thread' | 'cord';
  /** Size across, mm, and in lignes for buttons; 0 where there is none. */
  size: number;
  lignes: number;
  /** How many; of thread and cord millimetres. */
  count: number;
  /** One more of each kind of button is bought as a spare; it is counted in. */
  spare: number;
  /** Where they go: `front`, `stand`, or kinds of small closings, with how many each. */
  places: { place: string; count: number }[];
}

/** Thread per mm of hole: two legs of satin 2.5 wide at 0.5 are about 2 × 2 × 2.5/0.5 = 20 mm, upper and lower each. D. */
const THREAD_PER_MM = 40;
/** Thread to sew one button on with a shank, mm. Own estimate: four passes, wrapped, knotted. */
const THREAD_PER_BUTTON = 600;

/** Both ends of a loop in the seam, mm. */
const LOOP_SEAMS = 30;

interface Need {
  what: Exclude<Buy['what'], 'thread' | 'cord'>;
  size: number;
  place: string;
  count: number;
}

const WHAT: Record<Fastener, Need['what']> = {
  button: 'button',
  loop: 'button',
  snap: 'snap',
  'press-stud': 'press-stud',
  hook: 'hook',
};

function needs(c: Closure): Need[] {
  const out: Need[] = [];
  const { choice } = c;
  const need = (what: Need['what'], size: number, place: string, count: number): void => {
    if (count > 0) out.push({ what, size, place, count });
  };
  const stand = c.buttons.filter((b) => b.onStand).length;
  const front = c.buttons.length - stand;
  const rows = columnsOf(choice).all.length;
  if (choice.fastener !== 'button' && choice.fastener !== 'loop') {
    need(WHAT[choice.fastener], choice.diameter, 'stand', stand);
    need(WHAT[choice.fastener], choice.diameter, 'front', front);
  }
  if (hasButtons(choice)) {
    need('button', choice.diameter, 'stand', stand);
    // Double-breasted: a column each side, and one inside that holds the underlap.
    need('button', choice.diameter, 'front', front * rows + (choice.kind === 'double' ? 1 : 0));
  }
  for (const { choice: o, buttons, snaps } of c.small) {
    need('button', o.diameter, o.kind, buttons);
    need(WHAT[o.fastener], o.diameter, o.kind, snaps);
  }
  return out;
}

/** What to buy for all closings of the garment: by kind and size, spares counted in, thread estimated. */
export function shoppingList(c: Closure): Buy[] {
  const out: Buy[] = [];
  for (const n of needs(c)) {
    let line = out.find((b) => b.what === n.what && Math.abs(b.size - n.size) < 0.05);
    if (!line) {
      const spare = n.what === 'button' ? 1 : 0;
      line = {
        what: n.what,
        size: n.size,
        lignes: n.what === 'button' ? lignes(n.size) : 0,
        count: spare,
        spare,
        places: [],
      };
      out.push(line);
    }
    line.count += n.count;
    line.places.push({ place: n.place, count: n.count });
  }
  const holes = c.holes * c.hole.overall + c.small.reduce((s, q) => s + q.holes * (q.hole?.overall ?? 0), 0);
  const sewn = out.filter((b) => b.what === 'button').reduce((s, b) => s + b.count - b.spare, 0);
  const thread = holes * THREAD_PER_MM + sewn * THREAD_PER_BUTTON;
  if (thread > 0) out.push({ what: 'thread', size: 0, lignes: 0, count: thread, spare: 0, places: [] });
  const own =
    c.choice.fastener === 'loop'
      ? c.buttons.length * (loopLength(c.choice.diameter, c.choice.thickness) + LOOP_SEAMS)
      : 0;
  const cord = own + c.small.reduce((s, q) => s + (q.loop ? q.buttons * (q.loop + LOOP_SEAMS) : 0), 0);
  if (cord > 0) out.push({ what: 'cord', size: 0, lignes: 0, count: cord, spare: 0, places: [] });
  return out;
}
