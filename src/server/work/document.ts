import {
  byPlace,
  comparePatch,
  type PatchOperation,
  parseDocument,
  patchBody,
  problemsOf,
  projectFile,
  sentenceOf,
} from '../../contract/index.ts';
import { type Computed } from '../../core/document/compute.ts';
import {
  type Decisions,
  type EdgeSaid,
  type JoinSaid,
  type ProjectDocument,
  type Shell,
  type ShellPiece,
  type Stiffened,
} from '../../core/document/project.ts';
import { retainEdits, shellPieces } from '../../core/pattern/index.ts';
import { type Finding } from '../../core/result.ts';
import { pieceAnswer } from '../answers.ts';
import { patched } from '../db/apply.ts';
import { pack, unpack } from '../db/packed.ts';
import { unfitIn } from '../unfit.ts';
import { type ChangeAsked, type MadeChange, type MadeDocument } from './made.ts';

export type Made<T> =
  | { ok: true; made: T }
  | { ok: false; problems: { path: string; message: string }[]; refused?: 'json' | 'characters' | 'fields' };

/** What is done with a document, given as it is stored (packed) or as JSON text: plain data, for another thread. */
export type DocumentJob =
  | { do: 'read'; packed: string }
  | { do: 'take'; json: string }
  /** A saved project as it was sent, not looked at yet. */
  | { do: 'import'; json: string }
  /** What is asked by a `PATCH` request as it was sent, not looked at yet. */
  | { do: 'asked'; json: string }
  /**
   * `patch`: JSON text, packed or not. `named`: pieces and edges have to be named by their ids; patches older versions
   * stored may speak of places.
   */
  | { do: 'change'; packed: string; patch: string; named: boolean }
  | { do: 'replace'; packed: string; document: ProjectDocument }
  /** A piece that was traced, added to those there are; the first of a project lie on these lines. */
  | { do: 'piece'; packed: string; piece: ShellPiece; lines: Shell['lines'] }
  | { do: 'shell'; packed: string; shell: Omit<Shell, 'pieces'>; read: string };

export type DocumentMade<J extends DocumentJob> = J extends { do: 'asked' }
  ? ChangeAsked
  : J extends { do: 'read' | 'take' | 'import' }
    ? MadeDocument
    : MadeChange;

const BY_ID = 'pieces and edges are named by their ids in a path, never by their place in the list';

const told = (findings: Finding[]) => findings.map((f) => ({ ...f, message: sentenceOf(f) }));

function madeOf(document: ProjectDocument): MadeDocument {
  const json = JSON.stringify(document);
  const { name, garment, shell } = document;
  return { json, packed: pack(json), name, garment, pieces: shell?.pieces.length ?? 0 };
}

function changeBetween(old: ProjectDocument, next: ProjectDocument, given?: PatchOperation[]): MadeChange {
  const patch = JSON.stringify(given ?? comparePatch(old, next));
  const inverse = JSON.stringify(comparePatch(next, old));
  return { ...madeOf(next), patch, inverse, packedPatch: pack(patch), packedInverse: pack(inverse) };
}

/** What was said of joins, on the edges of the new pattern; what has no such edge there any more is left out. */
const joinsOn = (joins: JoinSaid[], edges: Map<string, { piece: string; edge: string }>): JoinSaid[] =>
  joins.flatMap((j): JoinSaid[] => {
    const at = (e: EdgeSaid): EdgeSaid | null => {
      const now = edges.get(`${e.piece}/${e.edge}`);
      return now ? { ...now, mirrored: e.mirrored } : null;
    };
    const [a, b] = [at(j.a), j.b && at(j.b)];
    return a && (b || !j.b) ? [{ ...j, a, b }] : [];
  });

/** What was said of edges and pieces beside joins, on those of the new pattern. */
function saidOn(d: Decisions, edges: Map<string, { piece: string; edge: string }>) {
  const pieces = new Map([...edges].map(([was, now]) => [was.split('/')[0], now.piece]));
  const at = <T extends { piece: string; edge: string }>(x: T): T[] => {
    const now = edges.get(`${x.piece}/${x.edge}`);
    return now ? [{ ...x, ...now }] : [];
  };
  return {
    reallowed: d.reallowed.flatMap(at),
    caps: d.caps.flatMap((c) => (pieces.has(c.piece) ? [{ ...c, piece: pieces.get(c.piece) as string }] : [])),
    lining: { ...d.lining, inOne: d.lining.inOne.flatMap(at) },
    interfacing: {
      ...d.interfacing,
      regions: d.interfacing.regions.flatMap((r): Stiffened[] =>
        r.edge === null
          ? pieces.has(r.piece)
            ? [{ ...r, piece: pieces.get(r.piece) as string }]
            : []
          : at({ ...r, edge: r.edge }),
      ),
    },
    strips: d.strips.map((s) => ({ ...s, to: s.to && (at(s.to)[0] ?? null) })),
  };
}

/** What was read of a pattern file, laid on what had been said of the one before. */
function withShell(
  old: ProjectDocument,
  about: Omit<Shell, 'pieces'>,
  read: { pieces: Shell['pieces']; findings: Finding[] },
) {
  const kept = retainEdits(old.shell?.pieces ?? [], read.pieces);
  const shell: Shell = { ...about, pieces: kept.pieces };
  const { decisions } = old;
  const joins = joinsOn(decisions.joins, kept.edges);
  const lost = decisions.joins.length - joins.length;
  if (lost) kept.findings.push({ code: 'joins-lost', severity: 'warn', data: { count: lost } });
  const next: ProjectDocument = {
    ...old,
    shell,
    decisions: {
      ...decisions,
      ...saidOn(decisions, kept.edges),
      joins,
      paper: { ...decisions.paper, pieces: null },
    },
  };
  // Only the drawn pieces are answered here; cut lines and all that is derived come with the pieces route.
  const drawn = shellPieces(shell, decisions.allowances);
  const none: Pick<Computed, 'cutLines'> = { cutLines: new Map() };
  const findings = told([...read.findings, ...kept.findings, ...drawn.findings]);
  return { next, answer: JSON.stringify({ pieces: drawn.pieces.map((p) => pieceAnswer(p, none)), findings }) };
}

/** Does one job. Documents are carried forward to the present version, and looked at against the contract. */
export function workOn<J extends DocumentJob>(job: J): Made<DocumentMade<J>>;
export function workOn(job: DocumentJob): Made<ChangeAsked | MadeDocument | MadeChange> {
  if (job.do === 'import') return imported(job.json);
  if (job.do === 'asked') return askedIn(job.json);
  const text = job.do === 'take' ? job.json : unpack(job.packed);
  const parsed = parseDocument(JSON.parse(text));
  if (!parsed.ok) return parsed;
  const old = parsed.document;
  if (job.do === 'read' || job.do === 'take') return { ok: true, made: madeOf(old) };
  const answer = job.do === 'shell' ? withShell(old, job.shell, JSON.parse(job.read)) : null;
  const given = job.do === 'change' ? (JSON.parse(unpack(job.patch)) as PatchOperation[]) : undefined;
  const next = answer ? parseDocument(answer.next) : nextOf(old, job, given);
  if (!next.ok) return next;
  const made = changeBetween(old, next.document, given);
  return { ok: true, made: answer ? { ...made, answer: answer.answer } : made };
}

type Changing = Extract<DocumentJob, { do: 'change' | 'replace' | 'piece' | 'shell' }>;

function nextOf(old: ProjectDocument, job: Changing, patch: PatchOperation[] = []): ReturnType<typeof parseDocument> {
  if (job.do === 'replace') return parseDocument(job.document);
  if (job.do === 'piece') return parseDocument({ ...old, shell: withPiece(old.shell, job.piece, job.lines) });
  const placed = job.do === 'change' && job.named ? byPlace(old, patch) : null;
  return placed ? { ok: false, problems: [{ path: placed, message: BY_ID }] } : patched(old, patch);
}

function withPiece(shell: Shell | null, piece: ShellPiece, lines: Shell['lines']): Shell {
  const held = shell ?? { fileName: 'traced from pictures', lines, pieces: [] };
  let n = held.pieces.length + 1;
  while (held.pieces.some((p) => p.id === `p${n}`)) n++;
  return { ...held, pieces: [...held.pieces, { ...piece, id: `p${n}`, drawn: lines }] };
}

/** JSON text as it was sent, looked over for what is no text. */
function readSent(text: string): { ok: true; sent: unknown } | Extract<Made<never>, { ok: false }> {
  let sent: unknown;
  try {
    sent = JSON.parse(text);
  } catch {
    return { ok: false, refused: 'json', problems: [] };
  }
  const unfit = unfitIn(sent);
  return unfit
    ? { ok: false, refused: 'characters', problems: [{ path: unfit.join('.') || 'the request', message: '' }] }
    : { ok: true, sent };
}

function askedIn(text: string): Made<ChangeAsked> {
  const read = readSent(text);
  if (!read.ok) return read;
  const asked = patchBody.safeParse(read.sent);
  if (!asked.success) return { ok: false, refused: 'fields', problems: problemsOf(asked.error) };
  const { revision, change } = asked.data;
  return { ok: true, made: { revision, label: change.label, patch: JSON.stringify(change.patch) } };
}

function imported(text: string): Made<MadeDocument> {
  const read = readSent(text);
  if (!read.ok) return read;
  const file = projectFile.safeParse(read.sent);
  if (!file.success) return { ok: false, problems: problemsOf(file.error) };
  const parsed = parseDocument(file.data.project);
  return parsed.ok ? { ok: true, made: madeOf(parsed.document) } : parsed;
}
