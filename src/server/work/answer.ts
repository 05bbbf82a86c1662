import { readFileSync } from 'node:fs';
import { parseDocument, sentenceOf } from '../../contract/index.ts';
import { cutList } from '../../core/cutting/index.ts';
import { type Computed, compute, planOf } from '../../core/document/compute.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { type PdfFonts } from '../../core/output/pdf.ts';
import { type Finding } from '../../core/result.ts';
import { piecesAnswer, seamsAnswer } from '../answers.ts';
import { unpack } from '../db/packed.ts';
import { unreadableBody } from '../problem.ts';
import { type Answered, type PARTS, type Part, type WorkJob } from './ask.ts';
import { MAKERS, projectJson } from './exports.ts';

const told = (findings: Finding[]) => findings.map((f) => ({ ...f, message: sentenceOf(f) }));

function closure(x: Computed): unknown {
  if (!x.closure) return { closure: null, findings: [] };
  if (!x.closure.ok) return { closure: null, findings: told(x.closure.findings) };
  return { closure: x.closure.value, findings: told(x.closure.value.findings) };
}

function plan(x: Computed, doc: ProjectDocument): unknown {
  const made = planOf(doc, x);
  return made.ok
    ? { ...made.value, findings: told(made.value.findings) }
    : { steps: [], findings: told(made.findings) };
}

const ANSWERS: Record<(typeof PARTS)[number], (x: Computed, doc: ProjectDocument) => unknown> = {
  pieces: (x) => ({ pieces: piecesAnswer(x), findings: told(x.findings) }),
  seams: (x) => ({ seams: seamsAnswer(x) }),
  closure,
  plan,
  cutting: (x) => ({ cutList: cutList(x) }),
};

let read: { files: string; fonts: PdfFonts } | null = null;
function fontsOf(files: string[]): PdfFonts {
  const key = files.join();
  if (read?.files !== key) read = { files: key, fonts: { regular: files.map((f) => new Uint8Array(readFileSync(f))) } };
  return read.fonts;
}

/** Everything that is computed from a project's decisions, never stored; and the files made of it. */
export async function answer({ text, name, asked, fontFiles }: WorkJob): Promise<Answered> {
  const parsed = parseDocument(JSON.parse(unpack(text)));
  if (!parsed.ok) return unreadableBody(name, parsed.problems);
  const doc = parsed.document;
  if (asked.part === 'project.json') return projectJson(doc);
  const x = compute(doc);
  if (isAnswer(asked.part))
    return { status: 200, type: 'application/json', body: JSON.stringify(ANSWERS[asked.part](x, doc)) };
  return MAKERS[asked.part](x, doc, asked, fontsOf(fontFiles));
}

const isAnswer = (part: Part): part is keyof typeof ANSWERS => part in ANSWERS;
