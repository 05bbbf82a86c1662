import { promisify } from 'node:util';
import { gunzip, gunzipSync, gzipSync } from 'node:zlib';

const LARGE = 64 * 1024;
const MARK = 'gz:';

/** JSON text as it is stored: gzipped where it is long. */
export const pack = (json: string): string =>
  json.length < LARGE ? json : MARK + gzipSync(json, { level: 1 }).toString('base64');

/** The zipped bytes of a text that is stored so; null where it is stored as it is. */
export const zippedIn = (text: string): Buffer | null =>
  text.startsWith(MARK) ? Buffer.from(text.slice(MARK.length), 'base64') : null;

export function unpack(text: string): string {
  const zipped = zippedIn(text);
  return zipped ? gunzipSync(zipped).toString('utf8') : text;
}

const inflate = promisify(gunzip);

/** JSON text of a document as it is stored; a long one beside. */
export async function unpacked(text: string): Promise<string> {
  const zipped = zippedIn(text);
  return zipped ? (await inflate(zipped)).toString('utf8') : text;
}
