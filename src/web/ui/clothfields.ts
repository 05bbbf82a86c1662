import { type ClothSort, type Fibre } from '../../core/cutting/index.ts';
import { type CountOf, waysField } from './fields.tsx';

// What is asked of a cloth on the table and of one in the stash alike.

export const SORT = waysField<ClothSort>('What sort of cloth it is', {
  plain: 'an even cloth',
  slippery: 'a slippery cloth',
  directed: 'a cloth whose print has an upper end',
  lace: 'lace, perhaps with a scalloped edge',
  fur: 'fur or a deep pile',
});

export const FIBRE = waysField<Fibre>('What it is made of', {
  unsaid: 'of something not said',
  cotton: 'of cotton',
  linen: 'of linen',
  wool: 'of wool',
  silk: 'of silk',
  viscose: 'of viscose',
  synthetic: 'synthetic',
});

export const PRICE = {
  as: 'count',
  label: 'What a metre costs',
  least: 0,
  most: 1000,
  help: 'In your own money. It shows what another width would cost.',
  said: (n) => (n ? `about ${n}` : 'not said'),
} satisfies CountOf;
