import { type StashCloth, type StashThing } from '../../../core/cutting/index.ts';
import { FIBRE, PRICE, SORT } from '../../ui/clothfields.ts';
import { type Fields, lengthField, waysField } from '../../ui/fields.tsx';

/** How a cloth of the stash is asked about. */
export const STASH_CLOTH = {
  sort: SORT,
  fibre: FIBRE,
  width: lengthField('How wide the cloth is', 100, 1800, 'Selvedge to selvedge; of a piece its widest.', {
    atLeast: 1,
    atMost: 5000,
  }),
  length: lengthField('How long the cloth is', 100, 6000, 'Along the grain, as much as is there.', { atMost: 100_000 }),
  price: PRICE,
} satisfies Fields<StashCloth>;

/** How something to sew on or with is asked about. */
export const STASH_THING = {
  kind: waysField('What it is', {
    ...{ button: 'buttons', snap: 'snaps', 'press-stud': 'press studs', hook: 'hooks and eyes' },
    ...{ zip: 'zips', thread: 'reels of thread', cord: 'hanks of cord', other: 'something else' },
  }),
  size: lengthField('How large it is', 5, 60, 'Across; of a zip how long it is.', {
    atMost: 2000,
    said: (v) => (v === 0 ? 'of no said size' : undefined),
  }),
  count: { as: 'count', label: 'How many there are', least: 0, most: 1000 },
} satisfies Fields<StashThing>;
