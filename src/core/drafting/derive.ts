import { apart } from '../document/apart.ts';
import { type Decisions } from '../document/project.ts';
import { joinedSurface, type Surface } from '../garment/index.ts';
import { selfCrossing } from '../geometry/index.ts';
import { type Edge, flatRing, isDrawnWhole, type Piece, type PieceKind, type Seam } from '../pattern/index.ts';
import { type Finding, ok, type Result, stop, warn } from '../result.ts';
import { type Drafted, type Garment, garmentOf, laidId, ofKind } from './drafted.ts';
import { biasStrips } from './facing/bias.ts';
import { type Bands, edgeFacingSeams, edgeFacings, noBands } from './facing/edgefacings.ts';
import { fromCrease } from './facing/grownon.ts';
import { neckFacings } from './facing/neckfacings.ts';
import { hoodPieces } from './hood.ts';
import { moreInterfacings } from './interfacing/extras.ts';
import { interfaceWhole } from './interfacing/interfacing.ts';
import { regions } from './interfacing/regions.ts';
import { underFront } from './interfacing/underfront.ts';
import { lineAll } from './lining/linings.ts';
import {
  facingsOver,
  interfacedWithin,
  type OpeningFacing,
  openingFacings,
  openingSeams,
  openingsWithin,
} from './openings.ts';
import { type Hems } from './pieces.ts';
import { ribs } from './ribs.ts';
import { insideSeams } from './seams.ts';
import { first } from './shape/find.ts';
import { withYoke } from './shape/joinyoke.ts';

export interface Inside {
  pieces: Piece[];
  /** Shell pieces that are cut otherwise than drawn: with a facing grown on. */
  recut: Piece[];
  /** What is sewn to what of them, worked out when it is asked for; what fails is told. */
  seamsBetween: (told: Finding[]) => Seam[];
  findings: Finding[];
  hems: Hems;
  /** How shell pieces were parted into facing and lining, as they were drafted. */
  splits: Parted[];
  /** Shell pieces laid together to be drafted from: a back with its yoke. */
  joined: Piece[];
}

/** A shell piece (a back with its yoke taken in) and the two rings along its facing line. */
export interface Parted {
  piece: Piece;
  facing: Edge[];
  lining: Edge[];
  /** Further shares of a facing that comes through the piece more than once. */
  more?: Edge[][];
}

/** What is faced, drafted first: all else inside is drafted from it. */
interface Faced {
  shell: Piece[];
  g: Garment;
  bands: Bands;
  bias: Piece[];
  round: OpeningFacing[];
  /** Shell pieces that are cut otherwise than drawn. */
  recut: Piece[];
  findings: Finding[];
}

/**
 * Everything that goes inside: facings, linings and interfacings with their seams, from the pieces as they are joined. Pure; a
 * piece that cannot be drafted is left out with a finding and the rest still stand.
 */
export const deriveInside = (
  all: Piece[],
  d: Decisions,
  surface: Surface = joinedSurface(all, d.joins).surface,
): Inside => withLinings(deriveFacings(all, d, surface), d);

/** The facings alone, while a slider moves one; `withLinings` goes on from here, once. */
export function deriveFacings(all: Piece[], d: Decisions, surface: Surface): Faced {
  const findings: Finding[] = [];
  // What is drawn whole is told, and drafted once it is halved.
  const shell = all.filter((p) => !isDrawnWhole(p));
  findings.push(...lacking(all));
  const g = apart('pattern', findings, { shell: [], surface, joins: [], drafted: [] }, () => garmentOf(shell, surface));
  const none = { pieces: [], findings: [] };
  const off: Bands = noBands();
  const bands = d.facing.on ? apart('facing', findings, off, () => edgeFacings(g, d)) : off;
  const bias = d.facing.on ? apart('facing', findings, none, () => biasStrips(shell, d)) : none;
  findings.push(...bands.findings, ...bias.findings);
  findings.push(...apart('facing', findings, [], () => neckFacings(g, bands, d)));
  const round = apart('facing', findings, none, () => openingFacings(g, d));
  findings.push(...round.findings);
  for (const x of g.drafted) if (x.facing) x.facing = openingsWithin(x.facing, x.shell, round.pieces, findings);
  findings.push(...facingsOver(round.pieces, [...facingsOf(g), ...bands.pieces.map((b) => b.piece)]));
  const recut = g.drafted.flatMap((x) => x.recut ?? []);
  return { shell, g, bands, bias: bias.pieces, round: round.pieces, recut, findings };
}

/** The pieces that face; null where they hang on the lining as well: a hood is faced and lined at once. */
export const facedOf = (f: Faced): Piece[] | null =>
  f.shell.some((p) => p.kind === 'hood') ? null : allFacings(f).filter((q) => !selfCrossing(flatRing(q.ring)));

const allFacings = ({ g, bands, round, bias }: Faced): Piece[] => [
  ...facingsOf(g),
  ...[...bands.pieces, ...round].map((b) => b.piece),
  ...bias,
];

/** All that goes inside, from what is faced. */
export function withLinings(faced: Faced, d: Decisions): Inside {
  const { shell, g, bands, round, recut } = faced;
  const findings = [...faced.findings];
  const hems: Hems = { body: null, wrist: null };
  if (d.lining.on) apart('lining', findings, undefined, () => lineAll({ g, d, bands, round, findings, hems }));
  for (const x of g.drafted)
    if (x.shell.kind === 'hood') apart('hood', findings, undefined, () => hoodPieces(x, d, findings), x.shell);
  const interfacing = d.interfacing.on ? interfacings(g, bands, round, d, findings) : [];
  const linings = liningsOf(g, d);
  const seamsBetween = (told: Finding[]): Seam[] => {
    const seams = apart('seams', told, [], () => [
      ...insideSeams(g, d, hems),
      ...edgeFacingSeams(g, bands, linings),
      ...openingSeams(g, round),
    ]);
    return seams.filter((s) => [...s.a, ...s.b].every((x) => there.has(x.piece)));
  };
  const ribbing = apart('rib', findings, [], () => ribs(shell, d));
  const pieces = [...allFacings(faced), ...ribbing, ...linings, ...interfacing].filter((q) => sound(q, findings));
  const there = new Set([...shell, ...pieces].map((q) => q.id));
  return {
    pieces,
    recut,
    seamsBetween,
    findings,
    hems,
    splits: d.lining.on ? partedOf(g) : [],
    joined: g.drafted.flatMap((x) => [
      ...(shell.includes(x.shell) ? [] : [{ ...x.shell, id: withYoke(x.shell) }]),
      ...(x.laid ? [{ ...x.laid.laid.piece, id: laidId(x) }] : []),
    ]),
  };
}

/** A piece whose outline crosses itself is no piece: it is left out and told, with the place. */
function sound(q: Piece, findings: Finding[]): boolean {
  const hit = selfCrossing(flatRing(q.ring));
  if (!hit) return true;
  const where = { ...(q.parent && { piece: q.parent }), x: hit.x, y: hit.y };
  findings.push(stop('outline-crosses', where, { name: q.name }));
  return false;
}

const partedOf = (g: Garment): Parted[] =>
  g.drafted.flatMap(({ split: s }) =>
    s
      ? [
          {
            piece: s.oriented.piece,
            facing: s.open ?? s.facing,
            lining: s.lining,
            ...(s.more?.length && { more: s.more }),
          },
        ]
      : [],
  );

/** In the order in which they are laid out: body, sleeves, hood, skirt, each as its piece comes. */
const ORDER: PieceKind[] = [
  'front',
  'front-side',
  'back',
  'back-side',
  'sleeve',
  'under-sleeve',
  'hood',
  'skirt-front',
  'skirt-back',
  'trouser-front',
  'trouser-back',
];
function inOrder(g: Garment): Drafted[] {
  const rank = (x: Drafted): number => (ORDER.indexOf(x.shell.kind) + ORDER.length + 1) % (ORDER.length + 1);
  return [...g.drafted].sort((x, y) => rank(x) - rank(y));
}

/** A facing grown on is no piece of its own. */
const facingsOf = (g: Garment): Piece[] => inOrder(g).flatMap((x) => (x.facing && !x.recut ? [x.facing] : []));

function liningsOf(g: Garment, d: Decisions): Piece[] {
  const all = inOrder(g).flatMap((x) => [x.lining, x.under].flatMap((p) => p ?? []));
  return d.lining.self ? all.map((q) => ({ ...q, name: q.name.replace(/ lining/, ', second layer') })) : all;
}

function interfacings(g: Garment, bands: Bands, round: OpeningFacing[], d: Decisions, findings: Finding[]): Piece[] {
  const { trim } = d.interfacing;
  const whole = (made: () => Result<Piece>[], of?: Piece): Piece[] =>
    apart('interfacing', findings, [], () => made().flatMap((r) => taken(r, findings)), of);
  const back = ofKind(g, 'back')?.shell;
  const laid = [
    ...inOrder(g).flatMap((x) => whole(() => underFacing(x, trim), x.shell)),
    ...inOrder(g).flatMap((x) => whole(() => underFront(g, x, d), x.shell)),
    ...[...bands.pieces, ...round].flatMap((b) => whole(() => [interfaceWhole(b.piece, b.shell, trim)], b.shell)),
    ...apart('interfacing', findings, [], () => moreInterfacings(g.shell, back, d, findings)),
    ...apart('interfacing', findings, [], () => regions(g.shell, liningsOf(g, d), d, findings)),
  ];
  // A panel that lies beside two fronts is interfaced once.
  const made = laid.filter((q, i) => laid.findIndex((p) => p.id === q.id) === i);
  const all = [...g.shell, ...facingsOf(g), ...liningsOf(g, d), ...round.map((r) => r.piece)];
  const opened = (q: Piece): Result<Piece>[] => {
    const under = all.find((p) => p.id === q.stiffens && p.openings);
    return [under ? interfacedWithin(q, under, trim, findings) : ok(q)];
  };
  return made.flatMap((q) => whole(() => opened(q)));
}

/** What could be made; why not, where it could not. */
function taken<T>(r: Result<T>, findings: Finding[]): T[] {
  if (!r.ok) findings.push(...r.findings);
  return r.ok ? [r.value] : [];
}

/** A front or back that is not there; a skirt by itself has neither. */
function lacking(shell: Piece[]): Finding[] {
  const skirt = shell.find((p) => p.kind.startsWith('skirt') || p.kind.startsWith('trouser'));
  // A garment cut in one piece has its front on its back.
  const opens = shell.some((p) => p.ring.some((e) => e.role === 'front-edge'));
  const kinds = (['front', 'back'] as const).filter((kind) => !first(shell, kind) && !(kind === 'front' && opens));
  if (!shell.length || (skirt && kinds.length === 2)) return [];
  return kinds.map((kind) => warn('piece-missing', undefined, { kind }));
}

/** Beneath a facing: all of it. Grown on, it lies under the piece itself, as that is cut. */
function underFacing(x: Drafted, trim: Decisions['interfacing']['trim']): Result<Piece>[] {
  if (!x.facing) return [];
  const id = `${x.base}-facing`;
  const made = interfaceWhole(x.facing.id === id ? x.facing : { ...x.facing, id }, x.shell, trim);
  return [x.recut && made.ok ? ok({ ...fromCrease(made.value, x.shell), stiffens: x.shell.id }) : made];
}
