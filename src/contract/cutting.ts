import { z } from 'zod';
import { FIBRES } from '../core/cutting/care.ts';
import { MEETS } from '../core/cutting/meets.ts';
import { CLOTH_SORTS, LIES, SCALLOPS } from '../core/cutting/nesting/cloth.ts';
import { THING_KINDS } from '../core/cutting/stash.ts';
import { MATERIALS } from '../core/pattern/types.ts';
import { id, mm, pieceId, words } from './figures.ts';

/** The longest cloth, mm: a whole bolt. Own figure. */
const MOST_CLOTH = 100_000;
const cloth = z.number().min(0).max(MOST_CLOTH);
/** More than a fifth no cloth that is meant for sewing shrinks by, %. */
const shrinkage = z.number().min(0).max(20);
/** A place no piece may touch: from and to across, from and to along. */
const flaw = z
  .strictObject({ x0: mm, x1: mm, y0: cloth, y1: cloth })
  .refine((f) => f.x0 < f.x1 && f.y0 < f.y1, 'a flaw begins before it ends');
/** Of a leftover its outline. */
const outline = z.array(z.strictObject({ x: mm, y: cloth })).max(400);
/** A further length of the same cloth, behind the first on the table. */
const further = z.strictObject({
  ...{ stash: id, from: cloth, width: mm.min(50), length: cloth },
  ...{ outline, flaws: z.array(flaw).max(40) },
});
const shrinks = z.strictObject({ along: shrinkage, across: shrinkage });
const price = z.number().min(0).max(100_000);
/** Where a cut of a piece lies on its cloth. */
const placed = z.strictObject({
  piece: pieceId,
  copy: z.int().min(0).max(400),
  turn: z.number().min(0).lt(360),
  mirrored: z.boolean(),
  x: z.number().min(-MOST_CLOTH).max(MOST_CLOTH),
  y: z.number().min(-MOST_CLOTH).max(MOST_CLOTH),
  pinned: z.boolean().optional(),
});

/** What is cut from what cloth, and how it lies. */
export const cutting = z.strictObject({
  cloths: z
    .array(
      z.strictObject({
        id,
        name: words.trim().min(1),
        takes: z.array(z.enum(MATERIALS)).max(MATERIALS.length),
        width: mm.min(50),
        owned: cloth,
        lies: z.enum(LIES),
        foldedBy: mm.max(2500),
        otherSideUp: z.boolean(),
        foldFar: z.boolean(),
        recut: mm,
        oneWay: z.boolean(),
        // More is another grain.
        tilt: z.number().min(0).max(5),
        selvedge: mm.max(300),
        end: mm.max(300),
        gap: mm.max(50),
        flaws: z.array(flaw).max(40),
        outline,
        more: z.array(further).max(12),
        scallops: z.enum(SCALLOPS),
        stash: z.union([id, z.literal('')]),
        print: z.strictObject({ along: mm, across: mm, fromEnd: mm, fromSide: mm }),
        shrinks,
        sort: z.enum(CLOTH_SORTS),
        fibre: z.enum(FIBRES),
        price,
        meet: z.array(z.enum(MEETS)).max(MEETS.length),
        centre: z.boolean(),
      }),
    )
    .refine((all) => all.every((c) => !c.more.length || c.lies === 'single'), 'several lengths lie in one layer')
    .max(40),
  moved: z.array(z.strictObject({ piece: pieceId, cloth: id })).max(4000),
  lays: z.array(z.strictObject({ cloth: id, placed: z.array(placed).max(1000) })).max(40),
  have: z.array(words).max(400),
});

/** What one has, over all projects. */
export const stash = z.strictObject({
  cloths: z
    .array(
      z.strictObject({
        id,
        name: words.trim().min(1),
        sort: z.enum(CLOTH_SORTS),
        fibre: z.enum(FIBRES),
        width: mm.min(1),
        length: cloth,
        price,
        shrinks,
        note: words,
        outline,
        flaws: z.array(flaw).max(40),
        of: z.union([id, z.literal('')]),
        used: z.strictObject({ project: id, name: words, cloth: id }).nullable(),
      }),
    )
    .max(1000),
  things: z
    .array(
      z.strictObject({
        ...{ id, name: words.trim().min(1), kind: z.enum(THING_KINDS), size: mm },
        ...{ count: z.number().min(0).max(100_000), note: words },
        taken: z
          .array(z.strictObject({ project: id, name: words, key: words, count: z.number().min(0).max(100_000) }))
          .max(400),
      }),
    )
    .max(1000),
});
