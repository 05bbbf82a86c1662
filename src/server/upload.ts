import { type Context } from 'hono';
import { type Intake, intakeText } from '../core/intake/index.ts';
import { type Result, refuse, stop } from '../core/result.ts';

export const MAX_UPLOAD = 20 * 1024 * 1024;

export interface Upload {
  name: string;
  bytes: Uint8Array;
  unit: string | undefined;
  lines: 'cut' | 'seam';
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
  const name = 'name' in file && typeof file.name === 'string' ? file.name : 'drawing.svg';
  return {
    name: name.slice(0, 200) || 'drawing.svg',
    bytes: new Uint8Array(await file.arrayBuffer()),
    unit: typeof unit === 'string' && unit.trim() ? unit.trim() : undefined,
    lines,
  };
}

/** Text of the bytes: UTF-8, or UTF-16 by its mark. Null when they are no text. */
function textOf(bytes: Uint8Array): string | null {
  const utf16 =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : null;
  try {
    const text = new TextDecoder(utf16 ?? 'utf-8', { fatal: true }).decode(bytes);
    return text.includes('\u0000') ? null : text;
  } catch {
    return null;
  }
}

/** From uploaded bytes to pieces, or why not. */
export function intakeUpload(u: Upload): Result<Intake> {
  if (u.bytes.length === 0) return refuse(stop('file-empty'));
  const text = textOf(u.bytes);
  if (text === null) return refuse(stop('not-svg', undefined, { kind: 'picture-or-pdf' }));
  return intakeText(text, u.name, u.unit);
}
