/** Kinds of pictures a browser shows. */
export type PictureKind = 'jpeg' | 'png' | 'webp';

const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const text = (b: Uint8Array, at: number, n: number): string => String.fromCharCode(...b.subarray(at, at + n));

/** What a file is by its first bytes; null where it is none of these. */
export function kindOf(b: Uint8Array): PictureKind | null {
  if (b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff) return 'jpeg';
  if (PNG.every((v, i) => b[i] === v)) return 'png';
  return text(b, 0, 4) === 'RIFF' && text(b, 8, 4) === 'WEBP' ? 'webp' : null;
}

/** A file that is not made as its kind is. */
export class Malformed extends Error {}

/**
 * A picture without what is written beside it: where and when it was taken, with what, and remarks. What is drawn stays bit by bit
 * as it was; which way up it is held is kept (`orientation`, 1 to 8 as in Exif). Throws `Malformed`.
 */
export function stripped(b: Uint8Array, kind: PictureKind, orientation = 1): Uint8Array {
  if (kind === 'jpeg') return ofJpeg(b, orientation);
  return kind === 'png' ? ofPng(b) : ofWebp(b);
}

function joined(parts: Uint8Array[]): Uint8Array {
  const out = new Uint8Array(parts.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const p of parts) {
    out.set(p, at);
    at += p.length;
  }
  return out;
}

/** Segments that hold no picture: APP1 (Exif, XMP), APP2 save a colour profile, APP3 to APP13, APP15, and remarks. ITU-T T.81, annex B. */
function isBeside(marker: number, b: Uint8Array, at: number): boolean {
  if (marker === 0xfe) return true;
  if (marker === 0xe2) return text(b, at + 4, 11) !== 'ICC_PROFILE';
  return marker > 0xe0 && marker <= 0xef && marker !== 0xee;
}

/** An Exif segment that says which way up the picture is held, and nothing else. */
const held = (orientation: number): Uint8Array =>
  new Uint8Array([
    ...[0xff, 0xe1, 0, 34, 0x45, 0x78, 0x69, 0x66, 0, 0, 0x4d, 0x4d, 0, 42, 0, 0, 0, 8, 0, 1],
    ...[0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, orientation, 0, 0, 0, 0, 0, 0],
  ]);

function ofJpeg(b: Uint8Array, orientation: number): Uint8Array {
  const parts = [b.subarray(0, 2)];
  if (orientation > 1 && orientation < 9) parts.push(held(orientation));
  let at = 2;
  for (;;) {
    if (b[at] !== 0xff) throw new Malformed('a marker is missing');
    const marker = b[at + 1] as number;
    // What comes after the end is no part of the picture: a short film, as some cameras add.
    if (marker === 0xd9) return joined([...parts, b.subarray(at, at + 2)]);
    const long = ((b[at + 2] ?? 0) << 8) | (b[at + 3] ?? 0);
    let end = at + 2 + long;
    if (long < 2 || end > b.length) throw new Malformed('it ends too soon');
    // After the head of a scan comes what is drawn, up to the next marker that is none of its own.
    if (marker === 0xda) end = endOfScan(b, end);
    if (!isBeside(marker, b, at)) parts.push(b.subarray(at, end));
    at = end;
  }
}

function endOfScan(b: Uint8Array, from: number): number {
  for (let i = from; i + 1 < b.length; i++) {
    const next = b[i + 1] as number;
    if (b[i] === 0xff && next !== 0 && next !== 0xff && (next < 0xd0 || next > 0xd7)) return i;
  }
  throw new Malformed('it ends too soon');
}

/** Chunks that are no part of the picture. PNG specification, third edition, 11.3. */
const PNG_BESIDE = new Set(['eXIf', 'tEXt', 'zTXt', 'iTXt', 'tIME']);

function ofPng(b: Uint8Array): Uint8Array {
  const view = new DataView(b.buffer, b.byteOffset, b.byteLength);
  const parts = [b.subarray(0, 8)];
  for (let at = 8; ; ) {
    if (at + 12 > b.length) throw new Malformed('it ends too soon');
    const end = at + 12 + view.getUint32(at);
    const name = text(b, at + 4, 4);
    if (end > b.length) throw new Malformed('it ends too soon');
    if (!PNG_BESIDE.has(name)) parts.push(b.subarray(at, end));
    if (name === 'IEND') return joined(parts);
    at = end;
  }
}

/** RIFF chunks of a WebP file without Exif and XMP, and without the flags that announce them. WebP container specification. */
function ofWebp(b: Uint8Array): Uint8Array {
  const view = new DataView(b.buffer, b.byteOffset, b.byteLength);
  const whole = Math.min(b.length, 8 + view.getUint32(4, true));
  const parts: Uint8Array[] = [];
  for (let at = 12; at + 8 <= whole; ) {
    const long = view.getUint32(at + 4, true);
    const end = at + 8 + long + (long & 1);
    if (at + 8 + long > whole) throw new Malformed('it ends too soon');
    const name = text(b, at, 4);
    const part = b.slice(at, Math.min(end, whole));
    if (name === 'VP8X') part[8] = (part[8] as number) & ~0x0c;
    if (name !== 'EXIF' && name !== 'XMP ') parts.push(part);
    at = end;
  }
  const body = joined(parts);
  const head = new Uint8Array(12);
  head.set(b.subarray(0, 12));
  new DataView(head.buffer).setUint32(4, body.length + 4, true);
  return joined([head, body]);
}
