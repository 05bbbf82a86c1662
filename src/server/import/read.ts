import { type Box } from '../../core/geometry/index.ts';
import {
  type Imported,
  importPdf,
  importText,
  type LineGroup,
  type PdfChoices,
  type PdfRead,
  readPdf,
  type Tell,
  untold,
} from '../../core/import/index.ts';
import { type PdfPage, patternLines, trimOf } from '../../core/import/pdf/index.ts';
import { pathData } from '../../core/output/index.ts';
import { type Result, refuse, stop } from '../../core/result.ts';

/** A file to be read, and what the sewist said of it. */
export interface IntakeJob {
  name: string;
  bytes: Uint8Array;
  unit: string | undefined;
  choices: PdfChoices;
  /** What it is to become, as said at the start. */
  garment?: string;
}

/** The encoding a text tells by its first bytes: its byte order mark, or how its first `<` is written (XML 1.0, appendix F). */
function byMark(b: Uint8Array): string | null {
  if ((b[0] === 0xff && b[1] === 0xfe) || (b[0] === 0x3c && b[1] === 0)) return 'utf-16le';
  if ((b[0] === 0xfe && b[1] === 0xff) || (b[0] === 0 && b[1] === 0x3c)) return 'utf-16be';
  return b[0] === 0xef && b[1] === 0xbb && b[2] === 0xbf ? 'utf-8' : null;
}

/** Text in that encoding; null where the bytes are none, or it is one nobody knows. */
function decoded(bytes: Uint8Array, encoding: string): string | null {
  try {
    const text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
    return text.includes('\u0000') ? null : text;
  } catch {
    return null;
  }
}

/**
 * Text of the bytes, in the encoding they tell or declare, else UTF-8. Old drawings that are neither are read in the usual
 * code page: their figures are plain ASCII, and only letters of names can come out wrong. Null for no text.
 */
export function textOf(bytes: Uint8Array): string | null {
  const mark = byMark(bytes);
  if (mark) return decoded(bytes, mark);
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 4096));
  const declared = /^\s*<\?xml[^>]*?\bencoding\s*=\s*["']([\w.:-]+)["']/i.exec(head)?.[1];
  const own = declared && !/^utf-?16/i.test(declared) ? decoded(bytes, declared) : null;
  if (own !== null) return own;
  const old = /^\s*(0|999)\s*[\r\n]|<(?:\w+:)?svg[\s>/]/.test(head);
  return decoded(bytes, 'utf-8') ?? (old ? decoded(bytes, 'windows-1252') : null);
}

/** The PDF package is only loaded for a PDF. */
const pdfPages = async (bytes: Uint8Array, tell: Tell) => (await import('./pdfpages.ts')).readPdfPages(bytes, tell);

const isPdf = (bytes: Uint8Array): boolean =>
  new TextDecoder('latin1').decode(bytes.subarray(0, 1024)).includes('%PDF-');

/** From uploaded bytes to pieces, or why not. What a file is, is told by what it holds. */
export async function readPieces(job: IntakeJob, tell: Tell = untold): Promise<Result<Imported>> {
  tell({ stage: 'opening', done: 0, of: 0 });
  if (job.bytes.length === 0) return refuse(stop('file-empty'));
  if (isPdf(job.bytes)) {
    const pages = await pdfPages(job.bytes, tell);
    return pages.ok ? importPdf(pages.value, job.choices, tell, job.garment) : pages;
  }
  const text = textOf(job.bytes);
  if (text === null) return refuse(stop('not-svg', undefined, { kind: 'picture' }));
  return importText(text, job.name, job.unit, tell, job.garment);
}

/** A line group without its paths, which are drawn as one. */
export type GroupAnswer = Omit<LineGroup, 'paths'> & { d: string };

/** What a PDF holds, for the sewist to look at and choose from. */
export interface LookAnswer {
  kind: 'pdf' | 'drawing';
  nested: boolean;
  groups: GroupAnswer[];
  layout: PdfRead['layout'] | null;
  squares: { measured: number; nominal: number | null }[];
  /** The first two tiles as they are drawn, for laying them together by hand. */
  tiles: { trim: Box; d: string[] } | null;
  findings: PdfRead['drawing']['findings'];
}

function tilesOf(pages: PdfPage[]): LookAnswer['tiles'] {
  const lines = [...patternLines(pages).values()].filter((l) => l.length > 0).slice(0, 2);
  if (lines.length < 2) return null;
  return { trim: trimOf(pages).trim, d: lines.map((l) => l.map((x) => pathData(x.path)).join('')) };
}

/** Looks into a file without making pieces of it. */
export async function lookInto(job: IntakeJob, tell: Tell = untold): Promise<Result<LookAnswer>> {
  const none: LookAnswer = {
    kind: 'drawing',
    nested: false,
    groups: [],
    layout: null,
    squares: [],
    tiles: null,
    findings: [],
  };
  if (!isPdf(job.bytes)) return { ok: true, value: none };
  const pages = await pdfPages(job.bytes, tell);
  if (!pages.ok) return pages;
  tell({ stage: 'lines', done: 0, of: 0 });
  const read = readPdf(pages.value, { ...job.choices, groups: undefined } as PdfChoices);
  const tiles = tilesOf(pages.value);
  // Pages that could not be laid together by themselves are shown all the same, to be laid by hand.
  if (!read.ok && read.findings.some((f) => f.code === 'tiles-unclear') && tiles)
    return { ok: true, value: { ...none, kind: 'pdf', tiles, findings: read.findings } };
  if (!read.ok) return read;
  const { groups, nested, layout, squares, drawing } = read.value;
  return {
    ok: true,
    value: {
      kind: 'pdf',
      nested,
      layout,
      groups: groups.map(({ paths, ...g }) => ({ ...g, d: paths.map(pathData).join('') })),
      tiles,
      squares: squares.map((s) => ({ measured: s.measured, nominal: s.nominal })),
      findings: drawing.findings,
    },
  };
}
