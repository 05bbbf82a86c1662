import { readFileSync } from 'node:fs';
import { parseDocument, sentenceOf } from '../../contract/index.ts';
import { type ClothSaid, cutList, density, standingOf, type ToBuy, toBuy } from '../../core/cutting/index.ts';
import { type Computed, compute, planOf } from '../../core/document/compute.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { type PdfFonts } from '../../core/output/pdf.ts';
import { type Finding } from '../../core/result.ts';
import { piecesAnswer, seamsAnswer } from '../answers.ts';
import { unpack } from '../db/packed.ts';
import { unreadableBody } from '../problem.ts';
import { type Answered, type Asked, type AtDesk, isBench, type PARTS, type Part, type WorkJob } from './ask.ts';
import { benchAnswer, calendarFile, notebookFile, standing } from './bench.ts';
import { MAKERS, pagesOf, projectJson } from './exports.ts';

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

const ANSWERS: Record<(typeof PARTS)[number], (x: Computed, doc: ProjectDocument, asked: Asked) => unknown> = {
  pieces: (x) => ({ pieces: piecesAnswer(x), findings: told(x.findings) }),
  seams: (x) => ({ seams: seamsAnswer(x) }),
  closure,
  plan,
  pages: pagesOf,
  cutting: (x, doc) => ({
    cutList: cutList(x),
    cloths: doc.decisions.cutting.cloths.map((c) => clothAnswer(x, doc, c)),
    shopping: toBuy(doc.decisions.cutting, x, doc.decisions.lining.zip.length, doc.units).map(buyAnswer),
  }),
};

/** One thing to buy, lengths in mm. */
const buyAnswer = (b: ToBuy): unknown => {
  if (b.what !== 'cloth') return b;
  const { cloth, needs, buy, ...rest } = b;
  return { ...rest, cloth: cloth.id, name: cloth.name, widthMm: cloth.width, needsMm: needs, buyMm: buy };
};

/** A cloth with the lay that is kept for it, and what is wrong with that; lengths null where it is not laid yet. */
function clothAnswer(x: Computed, doc: ProjectDocument, c: ClothSaid): unknown {
  const { mine, lying, length, takes, faults } = standingOf(doc.decisions.cutting, c, x);
  const lengths = c.more.map((m) => ({ fromMm: m.from, widthMm: m.width, lengthMm: m.length }));
  const about = {
    ...{ id: c.id, name: c.name, widthMm: c.width, lies: c.lies, pieces: mine.map((p) => p.id) },
    // Further lengths behind the first, where they begin on the table.
    ...(lengths.length && { further: lengths }),
  };
  if (!lying.length) return { ...about, lengthMm: null, takesMm: null, density: null, placed: [], faults };
  return {
    ...about,
    lengthMm: length,
    // Folded across, as much again lies below.
    takesMm: takes,
    density: density(c, lying),
    placed: lying.map(({ piece, copy, mirrored, turn, ring }) => ({
      ...{ id: piece, copy, mirrored, turnDeg: turn },
      outline: ring.map((p) => [p.x, p.y]),
    })),
    faults,
  };
}

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
  if (asked.part === 'standing') return standing(doc);
  const x = compute(doc);
  if (isAnswer(asked.part))
    return { status: 200, type: 'application/json', body: JSON.stringify(ANSWERS[asked.part](x, doc, asked)) };
  if (asked.part === 'calendar.ics') return calendarFile(x, doc, asked.desk as AtDesk);
  if (asked.part === 'notebook.md') return notebookFile(x, doc, asked.files ?? {});
  if (isBench(asked.part)) return benchAnswer(x, doc, asked);
  return MAKERS[asked.part](x, doc, asked, fontsOf(fontFiles));
}

const isAnswer = (part: Part): part is keyof typeof ANSWERS => part in ANSWERS;
