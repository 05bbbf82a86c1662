import { gunzipSync, gzipSync } from 'node:zlib';

const LARGE = 64 * 1024;
const MARK = 'gz:';

/** JSON text as it is stored: gzipped where it is long. */
export const pack = (json: string): string =>
  json.length < LARGE ? json : MARK + gzipSync(json, { level: 1 }).toString('base64');

export const unpack = (text: string): string =>
  text.startsWith(MARK) ? gunzipSync(Buffer.from(text.slice(MARK.length), 'base64')).toString('utf8') : text;
