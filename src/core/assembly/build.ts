import { type Piece, type WalkedSeam } from '../pattern/index.ts';
import { type Decisions } from '../project.ts';
import { type Operation, type Section, type Station } from './types.ts';

/** What the garment is made of, as the operations see it. */
export interface Garment {
  shell: Piece[];
  inside: Piece[];
  seams: WalkedSeam[];
  decisions: Decisions;
  /** Buttons to sew on; 0 where nothing is buttoned. */
  buttons: number;
  hole: { opening: number; overall: number } | null;
}

/** Collects operations; small helpers fill in what most of them share. */
export class Bench {
  ops: Operation[] = [];
  constructor(readonly g: Garment) {}

  piece(id: string): Piece | undefined {
    return this.g.inside.find((p) => p.id === id) ?? this.g.shell.find((p) => p.id === id);
  }

  shell(kind: Piece['kind']): Piece | undefined {
    return this.g.shell.find((p) => p.kind === kind);
  }

  seam(id: string): WalkedSeam | undefined {
    return this.g.seams.find((s) => s.id === id);
  }

  /** Those of the seams there are, each with its like on the half that lies under at a vent. */
  withUnder(ids: string[]): WalkedSeam[] {
    return ids
      .flatMap((id) => [this.seam(id), this.seam(`${id}-under`)])
      .filter((s): s is WalkedSeam => s !== undefined);
  }

  /** Ids of the body's linings: two backs where a vent makes left and right differ. */
  linings(): string[] {
    return ['front-lining', 'back-lining', 'back-lining-under'].filter((id) => this.piece(id));
  }

  made(token: string): boolean {
    return this.ops.some((o) => o.makes.includes(token));
  }

  /** Those of the tokens that some operation so far makes: a garment without that part does not wait for it. */
  ifMade(...tokens: string[]): string[] {
    return tokens.filter((t) => this.made(t));
  }

  add(o: Partial<Operation> & { id: string; code: string; section: Section; station: Station }): void {
    const plain = {
      about: null,
      pieces: [],
      seams: [],
      needs: [],
      makes: [o.id],
      edges: [],
      sides: null,
      allowance: null,
      stops: [],
      press: null,
      cautions: [],
      data: {},
    };
    this.ops.push({ ...plain, ...o });
  }

  /** Edge keys of the given roles on a piece. */
  edges(piece: Piece | undefined, ...roles: string[]): string[] {
    return piece ? piece.ring.filter((e) => roles.includes(e.role)).map((e) => `${piece.id}/${e.id}`) : [];
  }

  /** A seam sewn right sides together and pressed before anything crosses it; several seams may be one run. */
  join(ids: string[], section: Section, needs: string[], more: Partial<Operation> = {}): void {
    const seams = ids.map((id) => this.seam(id)).filter((s): s is WalkedSeam => s !== undefined);
    const first = seams[0];
    if (!first) return;
    const all = this.withUnder(ids);
    const sides = all.flatMap((s) => [...s.a, ...s.b]);
    const allowance = this.allowanceOf(first);
    this.add({
      id: `sew:${first.id}`,
      code: `sew-${first.code}`,
      section,
      station: 'machine',
      pieces: [...new Set(sides.map((s) => s.piece))],
      seams: all.map((s) => s.id),
      needs: ['cut', ...needs],
      edges: [...new Set(sides.map((s) => `${s.piece}/${s.edge}`))],
      sides: 'right-together',
      allowance,
      cautions: ['pins'],
      ...more,
      data: { a: sum(seams, 'lengthAMm'), b: sum(seams, 'lengthBMm'), ease: sum(seams, 'differenceMm'), ...more.data },
    });
    this.add({
      id: `press:${first.id}`,
      code: PRESS_TO[first.code] ?? 'press-open',
      section,
      station: 'iron',
      pieces: [...new Set(sides.map((s) => s.piece))],
      needs: [`sew:${first.id}`],
      press: PRESS_TO[first.code] ?? 'press-open',
      about: first.code,
      cautions: ['iron'],
    });
  }

  allowanceOf(s: WalkedSeam): number {
    const side = s.a[0];
    const edge = side && this.piece(side.piece)?.ring.find((e) => e.id === side.edge);
    return edge?.allowance ?? 0;
  }
}

/** Seams that are not pressed open, and where their allowances go. */
const PRESS_TO: Record<string, string> = {
  cap: 'press-into-sleeve',
  'lining-cap': 'press-into-sleeve',
  'facing-line-front': 'press-to-lining',
  'facing-line-back': 'press-to-lining',
};

const sum = (seams: WalkedSeam[], key: 'lengthAMm' | 'lengthBMm' | 'differenceMm'): number =>
  seams.reduce((t, s) => t + s[key], 0);
