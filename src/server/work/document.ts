import {
  byPlace,
  comparePatch,
  type PatchOperation,
  parseDocument,
  problemsOf,
  projectFile,
  sentenceOf,
} from '../../contract/index.ts';
import { type Computed } from '../../core/compute.ts';
import { keepChoices, shellPieces } from '../../core/pattern/index.ts';
import { type ProjectDocument, type Shell } from '../../core/project.ts';
import { type Finding } from '../../core/result.ts';
import { pieceAnswer } from '../answers.ts';
import { patched } from '../db/apply.ts';
import { pack, unpack } from '../db/packed.ts';
import { unfitIn } from '../unfit.ts';
import { type MadeChange, type MadeDocument } from './made.ts';

export type Made<T> =
  | { ok: true; made: T }
  | { ok: false; problems: { path: string; message: string }[]; refused?: 'json' | 'characters' };

/** What is done with a document, given as it is stored (packed) or as JSON text: plain data, for another thread. */
export type DocumentJob =
  | { do: 'read'; packed: string }
  | { do: 'take'; json: string }
  /** A saved project as it was sent, not looked at yet. */
  | { do: 'import'; json: string }
  /** `named`: pieces and edges have to be named by their ids; patches older versions stored may speak of places. */
  | { do: 'change'; packed: string; patch: PatchOperation[]; named: boolean }
  | { do: 'replace'; packed: string; json: string }
  | { do: 'shell'; packed: string; shell: Omit<Shell, 'pieces'>; read: string };

export type DocumentMade<J extends DocumentJob> = J extends { do: 'read' | 'take' | 'import' }
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

/** What was read of a pattern file, laid on what had been said of the one before. */
function withShell(
  old: ProjectDocument,
  about: Omit<Shell, 'pieces'>,
  read: { pieces: Shell['pieces']; findings: Finding[] },
) {
  const kept = keepChoices(old.shell?.pieces ?? [], read.pieces);
  const shell: Shell = { ...about, pieces: kept.pieces };
  const { decisions } = old;
  const next: ProjectDocument = {
    ...old,
    shell,
    decisions: { ...decisions, paper: { ...decisions.paper, pieces: null } },
  };
  // Only the drawn pieces are answered here; cut lines and all that is derived come with the pieces route.
  const drawn = shellPieces(shell, decisions.allowances);
  const none: Pick<Computed, 'cutLines'> = { cutLines: new Map() };
  const findings = told([...read.findings, ...kept.findings, ...drawn.findings]);
  return { next, answer: JSON.stringify({ pieces: drawn.pieces.map((p) => pieceAnswer(p, none)), findings }) };
}

/** Does one job. Documents are carried forward to the present version, and looked at against the contract. */
export function workOn<J extends DocumentJob>(job: J): Made<DocumentMade<J>>;
export function workOn(job: DocumentJob): Made<MadeDocument | MadeChange> {
  if (job.do === 'import') return imported(job.json);
  const text = job.do === 'take' ? job.json : unpack(job.packed);
  const parsed = parseDocument(JSON.parse(text));
  if (!parsed.ok) return parsed;
  const old = parsed.document;
  if (job.do === 'read' || job.do === 'take') return { ok: true, made: madeOf(old) };
  if (job.do === 'change') {
    const placed = job.named ? byPlace(old, job.patch) : null;
    if (placed) return { ok: false, problems: [{ path: placed, message: BY_ID }] };
    const next = patched(old, job.patch);
    return next.ok ? { ok: true, made: changeBetween(old, next.document, job.patch) } : next;
  }
  const laid = job.do === 'shell' ? withShell(old, job.shell, JSON.parse(job.read)) : null;
  const next = parseDocument(laid?.next ?? JSON.parse((job as { json: string }).json));
  if (!next.ok) return next;
  const made = changeBetween(old, next.document);
  return { ok: true, made: laid ? { ...made, answer: laid.answer } : made };
}

function imported(text: string): Made<MadeDocument> {
  let sent: unknown;
  try {
    sent = JSON.parse(text);
  } catch {
    return { ok: false, refused: 'json', problems: [] };
  }
  const unfit = unfitIn(sent);
  if (unfit) return { ok: false, refused: 'characters', problems: [{ path: unfit.join('.'), message: '' }] };
  const file = projectFile.safeParse(sent);
  if (!file.success) return { ok: false, problems: problemsOf(file.error) };
  const parsed = parseDocument(file.data.project);
  return parsed.ok ? { ok: true, made: madeOf(parsed.document) } : parsed;
}
