/** A small generator of its own, so that every run spoils the same files (mulberry32). */
export function chance(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (s + 0x6d2b79f5) >>> 0;
    let t = Math.imul(s ^ (s >>> 15), 1 | s);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const PATCHES = [
  'NaN',
  '1e999',
  '-1e308',
  '',
  '0',
  '\u0000',
  '<',
  '>',
  '"',
  '\n0\nSECTION\n',
  '\n0\nENDSEC\n',
  '\n0\nEOF\n',
  'Z',
  'M',
  'use',
  '99999999999',
  '&#x0;',
  '\uFEFF',
  'é',
  'null',
  '[]',
  '{}',
];

/** Cuts, repeats, swaps and overwrites stretches of a text. */
export function spoil(text: string, random: () => number): string {
  let out = text;
  const at = (n: number): number => Math.floor(random() * n);
  for (let k = 0; k < 1 + at(4); k++) {
    const i = at(out.length);
    const j = Math.min(out.length, i + 1 + at(random() < 0.3 ? 2000 : 12));
    const kind = at(5);
    if (kind === 0) out = out.slice(0, i) + out.slice(j);
    else if (kind === 1) out = out.slice(0, j) + out.slice(i, j) + out.slice(j);
    else if (kind === 2) out = out.slice(0, i) + (PATCHES[at(PATCHES.length)] as string) + out.slice(j);
    else if (kind === 3) out = out.slice(0, i) + String.fromCharCode(32 + at(90)) + out.slice(i + 1);
    else out = out.slice(0, i);
  }
  return out;
}

/** Cuts a file now and then, and overwrites up to twenty of its bytes. */
export function spoilBytes(good: Uint8Array, random: () => number): Uint8Array {
  const bytes = good.slice(0, random() < 0.2 ? Math.floor(random() * good.length) : good.length);
  for (let k = 0; k < 1 + random() * 20; k++) bytes[Math.floor(random() * bytes.length)] = Math.floor(random() * 256);
  return bytes;
}

const ODD: unknown[] = [
  null,
  -1,
  0,
  1e308,
  1e-308,
  2 ** 53,
  '',
  'x',
  '\u0000',
  '=1+1',
  'é'.repeat(300),
  true,
  [],
  {},
  [[]],
];

/** JSON text with one to three of its values, at any depth, made odd, or taken out, or put in twice. */
export function spoilJson(json: string, random: () => number): string {
  const root: unknown = JSON.parse(json);
  const at = (n: number): number => Math.floor(random() * n);
  for (let k = 0; k < 1 + at(3); k++) {
    let inside = root as Record<string, unknown>;
    for (;;) {
      const keys = Object.keys(inside);
      if (!keys.length) break;
      const key = keys[at(keys.length)] as string;
      const next = inside[key];
      if (next !== null && typeof next === 'object' && random() < 0.85) inside = next as Record<string, unknown>;
      else {
        if (Array.isArray(inside) && random() < 0.3) inside.push(structuredClone(next));
        else if (!Array.isArray(inside) && random() < 0.2) delete inside[key];
        else inside[key] = ODD[at(ODD.length)];
        break;
      }
    }
  }
  return JSON.stringify(root);
}
