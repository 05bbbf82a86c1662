import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import { describe, expect, test } from '@jest/globals';

const src = 'src';
const files = (folder: string): string[] =>
  readdirSync(join(src, folder), { recursive: true, encoding: 'utf8' })
    .map((f) => join(folder, f))
    .filter((f) => /\.tsx?$/.test(f) && !/\.test\.tsx?$/.test(f));
const importsOf = (file: string): string[] =>
  [...readFileSync(join(src, file), 'utf8').matchAll(/(?:from|import)\s*\(?\s*'([^']+)'/g)].map((m) => m[1] as string);

/** The only packages core may use: pure functions on data, no I/O of their own. */
const PURE = [
  'date-fns',
  'clipper2-ts',
  'earcut',
  'dxf-parser',
  '@tarikjabiri/dxf',
  'svgpath',
  'fast-xml-parser',
  'pdf-lib',
  '@pdf-lib/fontkit',
];
const MAY: Record<string, string[]> = {
  core: ['core'],
  contract: ['contract', 'core'],
  server: ['server', 'contract', 'core', 'demo'],
  web: ['web', 'contract', 'core'],
  demo: ['demo', 'contract', 'core'],
};

describe('walls between the rooms', () => {
  test.each(Object.keys(MAY))('%s imports only what it may', (room) => {
    const all = files(room);
    expect(all.length).toBeGreaterThan(1);
    for (const file of all) {
      for (const spec of importsOf(file)) {
        if (spec.startsWith('.')) {
          const target = normalize(join(dirname(file), spec)).split(/[\\/]/)[0];
          expect([file, MAY[room]]).toEqual([file, expect.arrayContaining([target])]);
        } else if (room === 'core') expect([file, PURE]).toEqual([file, expect.arrayContaining([spec])]);
      }
    }
  });

  test('core knows no clock, chance, network, page or process', () => {
    for (const file of files('core')) {
      const code = readFileSync(join(src, file), 'utf8').replace(/\/\*[\s\S]*?\*\/|\/\/.*/g, '');
      const found = /\b(Date\.now|new Date\(|Math\.random|fetch\(|process\.|document\.create|window\.|console\.)/.exec(
        code,
      );
      expect([file, found?.[0]]).toEqual([file, undefined]);
    }
  });
});
