import { inflateSync } from 'node:zlib';

const MB = 1 << 20;
/** What one packed part of a PDF may unpack to, pictures apart: a hundred pages of dense pattern lines are a fifth of it. */
const MOST_LINES = 64 * MB;
/** A scanned sheet of the largest paper, three bytes a point. */
const MOST_PICTURE = 256 * MB;
const MOST_TOGETHER = 768 * MB;
/** Lines and curves in all: reading as many takes seconds and hundreds of megabytes. */
const MOST_DRAWN_LINES = 300_000;
/** How often one part may be packed again in itself. */
const LAYERS = 4;

/** What the part unpacks to, or null when that is more than `most` bytes. What is no packed data counts as it is. */
function unpacked(data: Uint8Array, most: number): Uint8Array | null {
  try {
    return inflateSync(data, { maxOutputLength: most });
  } catch (e) {
    return (e as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE' ? null : new Uint8Array();
  }
}

/** What a part unpacks to, through all the times it is packed; null when more than `most` bytes. */
function unpackedOf(data: Uint8Array, times: number, most: number): Uint8Array | null {
  let inner: Uint8Array | null = data;
  for (let i = 0; i < times && inner; i++) inner = unpacked(inner, most);
  return inner;
}

/** Operators that begin or end a line or a curve (ISO 32000-1, table 59), each behind a blank and before one. */
const DRAWS = new Uint8Array(256);
for (const c of 'mlcvy') DRAWS[c.charCodeAt(0)] = 1;

/** Lines and curves that drawing commands hold, about: what else is packed holds few bytes of that kind. */
function linesIn(commands: Uint8Array): number {
  let n = 0;
  for (let i = 1; i + 1 < commands.length; i++)
    if (DRAWS[commands[i] as number] && (commands[i - 1] as number) <= 32 && (commands[i + 1] as number) <= 32) n += 1;
  return n;
}

/** Codes of LZW that clear its table and end it; the first free one. */
const [CLEAR, END, FREE] = [256, 257, 258];

/** Bytes an LZW part unpacks to, up to `most` (ISO 32000-1, 7.4.4): counted by the lengths of its strings, nothing is written. */
function lzwWeight(data: Uint8Array, most: number): number {
  const lengths = new Uint16Array(4096);
  let [next, before, total, held, have] = [FREE, 0, 0, 0, 0];
  for (const byte of data) {
    held = ((held << 8) | byte) & 0xffffff;
    have += 8;
    // A code grows by a bit one code before it has to ("early change", the usual way).
    const bits = next + 1 >= 2048 ? 12 : next + 1 >= 1024 ? 11 : next + 1 >= 512 ? 10 : 9;
    if (have < bits) continue;
    const code = (held >> (have - bits)) & ((1 << bits) - 1);
    have -= bits;
    if (code === END || total > most) break;
    if (code === CLEAR) [next, before] = [FREE, 0];
    else {
      const long = code < CLEAR ? 1 : code < next ? (lengths[code] as number) : before + 1;
      if (before && next < 4096) lengths[next++] = before + 1;
      total += long;
      before = long;
    }
  }
  return total;
}

/**
 * Whether a PDF unpacks to more than any pattern holds: a small file can be made to fill the memory of whoever opens it.
 * Looks at every packed part in the order of the file, without reading the file's own list of them.
 */
export function unpacksTooFar(file: Uint8Array): boolean {
  const bytes = Buffer.from(file.buffer, file.byteOffset, file.byteLength);
  let [together, lines] = [0, 0];
  for (let at = bytes.indexOf('stream'); at >= 0; at = bytes.indexOf('stream', at + 6)) {
    if (at >= 3 && bytes.toString('latin1', at - 3, at) === 'end') continue;
    const head = bytes.toString('latin1', Math.max(0, at - 1024), at);
    const about = head.slice(head.lastIndexOf(' obj') + 1);
    const times = about.match(/\/(?:FlateDecode|Fl)\b/g)?.length ?? 0;
    const lzw = /\/Filter\s*\[?\s*\/(?:LZWDecode|LZW)\b/.test(about);
    if (times === 0 && !lzw) continue;
    if (times > LAYERS) return true;
    const start = at + 6 + (bytes[at + 6] === 13 ? 2 : 1);
    const end = bytes.indexOf('endstream', start);
    const picture = /\/Image\b/.test(about);
    const most = picture ? MOST_PICTURE : MOST_LINES;
    const packed = bytes.subarray(start, end < 0 ? bytes.length : end);
    const inner = lzw ? null : unpackedOf(packed, times, most);
    const weight = inner ? inner.length : lzw ? lzwWeight(packed, most) : Number.POSITIVE_INFINITY;
    if (weight > most) return true;
    together += weight;
    if (inner && !picture) lines += linesIn(inner);
    if (together > MOST_TOGETHER || lines > MOST_DRAWN_LINES) return true;
  }
  return false;
}
