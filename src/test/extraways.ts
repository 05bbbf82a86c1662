import { type Case, SHIRT } from './waycase.ts';

// What the sewist adds asks, as partial orders. Common practice.
export const EXTRA_CASES: Case[] = [
  {
    name: 'peplum and ties, hook, label, loops, cord',
    more: SHIRT,
    methods: {},
    extras: ['peplum', 'ties', 'hook', 'label', 'belt-loops', 'cord'],
    has: ['hem-peplum', 'sew-peplum', 'neaten-peplum', 'press-all'],
  },
  {
    name: 'ties are turned before they are caught; holes for a cord before its casing',
    more: SHIRT,
    methods: {},
    extras: ['ties', 'cord'],
    has: ['sew-ties', 'turn-ties', 'press-ties', 'baste-ties', 'press-all'],
  },
  {
    name: 'tabs and flaps: made up before they are caught, the pocket before its flap, both before the sides',
    more: SHIRT,
    methods: {},
    extras: ['tabs', 'flaps', 'patch-pockets'],
    has: ['sew-patch', 'set-flap', 'sew:side'],
  },
  {
    name: 'tabs',
    more: SHIRT,
    methods: {},
    extras: ['tabs'],
    has: ['sew-tab', 'turn-tab', 'press-tab', 'baste-tab', 'sew:side'],
  },
  {
    name: 'cord',
    more: SHIRT,
    methods: {},
    extras: ['cord'],
    has: ['cord-holes', 'sew:side', 'cord-casing', 'thread-cord'],
  },
  {
    name: 'gathers and a casing',
    more: SHIRT,
    methods: {},
    extras: ['gathers', 'casing'],
    has: ['gather', 'sew:side', 'stitch-casing:waist', 'thread-elastic:waist', 'close-casing:waist'],
  },
  {
    name: 'patch pockets',
    more: SHIRT,
    methods: {},
    extras: ['patch-pockets'],
    has: ['press-patch', 'sew-patch', 'sew:side'],
  },
];
