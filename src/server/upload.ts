import { type Context } from 'hono';
import { type PdfChoices } from '../core/import/index.ts';
import { plainName } from '../core/text.ts';

export const MAX_UPLOAD = 40 * 1024 * 1024;

export interface Upload {
  name: string;
  bytes: Uint8Array;
  unit: string | undefined;
  lines: 'cut' | 'seam';
  choices: PdfChoices;
  /** The revision it was made on: then it is refused on another one. */
  revision: number | undefined;
  /** The sender's own name for this upload, to ask how far it is. */
  job: string | undefined;
}

/** The uploaded form; a sentence when something is missing. */
export async function readUpload(c: Context): Promise<Upload | string> {
  let form: FormData;
  try {
    form = await c.req.formData();
  } catch {
    return 'The upload broke off or is not a form. Send it again.';
  }
  const file = form.get('file');
  if (!(file instanceof Blob)) return 'The form has no file in it. Choose a drawing and send it again.';
  const lines = form.get('lines') ?? 'seam';
  if (lines !== 'cut' && lines !== 'seam')
    return 'Say whether the lines are cut or seam lines: lines=cut or lines=seam.';
  const unit = form.get('unit');
  const job = form.get('job');
  if (job !== null && !(typeof job === 'string' && /^[\w-]{1,64}$/.test(job)))
    return 'job has to be a name of up to 64 letters, digits and dashes.';
  const choices = choicesOf(form);
  if (typeof choices === 'string') return choices;
  const revision = figure(form, 'revision', 0, 1e9);
  if (typeof revision === 'string') return revision;
  const name = 'name' in file && typeof file.name === 'string' ? file.name : 'drawing.svg';
  return {
    name: plainName(name).trim() || 'drawing.svg',
    bytes: new Uint8Array(await file.arrayBuffer()),
    unit: typeof unit === 'string' && unit.trim() ? unit.trim() : undefined,
    lines,
    choices,
    revision,
    job: job ?? undefined,
  };
}

/** A number from a form field within bounds; undefined when it is not there, a sentence when it is none. */
function figure(form: FormData, key: string, least: number, most: number): number | undefined | string {
  const raw = form.get(key);
  if (typeof raw !== 'string' || raw.trim() === '') return undefined;
  const v = Number(raw);
  return Number.isFinite(v) && v >= least && v <= most ? v : `${key} has to be a number from ${least} to ${most}.`;
}

/** What was chosen of a PDF: line groups, how its pages lie, its scale. */
function choicesOf(form: FormData): PdfChoices | string {
  const columns = figure(form, 'columns', 1, 100);
  const overlap = figure(form, 'overlap', 0, 60);
  const scale = figure(form, 'scale', 0.2, 5);
  for (const v of [columns, overlap, scale]) if (typeof v === 'string') return v;
  const order = form.get('order');
  if (order !== null && order !== 'rows' && order !== 'columns')
    return 'Say how the pages run: order=rows or order=columns.';
  const groups = form.get('groups');
  return {
    ...(columns !== undefined && { columns: columns as number }),
    ...(overlap !== undefined && { overlap: overlap as number }),
    ...(scale !== undefined && { scale: scale as number }),
    ...(order !== null && { order }),
    ...(typeof groups === 'string' && groups.trim() && { groups: groups.split(',').map((g) => g.trim()) }),
  };
}
