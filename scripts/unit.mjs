// Unit tests: `node scripts/unit.mjs [part of a path …] [options of Jest]`.
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { build } from 'esbuild';
import { bin, node, root, run } from './tools.mjs';

/** Where the tests lie as they are run. */
const OUT = 'dist/unit';
/**
 * Globals of the language as constants of each script. Jest runs scripts in a context of their own, in which every look at a
 * global goes through an interceptor: geometry, which asks for `Math` millions of times, is slower there by an order.
 */
const OWN = 'const { Math, Number, Object, Array, Map, Set } = globalThis;';
/** What a package that is no module asks for by itself. */
const REQUIRE =
  "import { createRequire as $requireFrom } from 'node:module'; const require = $requireFrom(import.meta.url);";
/** Stays where it is: it brings files of its own, or asks which of two it is by how it was asked for. */
const APART = [
  ...['@jest/globals', '@electric-sql/pglite', 'esbuild', 'jsdom', 'pdfjs-dist', 'pg-native', 'sharp'],
  ...['react', 'react-dom', '@testing-library/react'],
];

/** The files of tests whose path holds one of the words; all of them if there are none. */
const testsOf = (words) =>
  readdirSync(join(root, 'src'), { recursive: true, encoding: 'utf8' })
    .map((file) => `src/${file.replaceAll('\\', '/')}`)
    .filter((file) => /\.test\.tsx?$/.test(file) && (!words.length || words.some((w) => file.includes(w))));

/**
 * Puts each test and what it uses together before it is run. Jest would read, link and compile the six hundred modules of a
 * test one by one, and anew for each test: a quarter of its time. What tests share is in scripts of its own.
 */
async function together(tests) {
  const out = join(root, OUT);
  rmSync(out, { recursive: true, force: true });
  const { outputFiles } = await build({
    absWorkingDir: root,
    entryPoints: tests,
    outbase: '.',
    outdir: OUT,
    write: false,
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'es2022',
    jsx: 'automatic',
    external: APART,
    sourcemap: 'external',
    banner: { js: `${REQUIRE}${OWN}` },
    logLevel: 'error',
  });
  const sources = new Map(tests.map((test) => [join(out, test.replace(/\.tsx?$/, '.js')), join(root, test)]));
  for (const { path, text } of outputFiles) {
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, sources.has(path) ? `${surroundings(sources.get(path))}${text}` : text);
  }
}

/** What a test says in its first line of where it is to be run, such as in a browser's page: comments are left out by now. */
const surroundings = (source) => /^\/\*\* @jest-environment \w+ \*\//.exec(readFileSync(source, 'utf8'))?.[0] ?? '';

const args = process.argv.slice(2);
await together(testsOf(args.filter((a) => !a.startsWith('-'))));
// Jest's processes live for minutes: what is compiled for speed only after it has run a little longer than usual costs a sixth less in all.
const how = ['--interrupt-budget=400000', '--experimental-vm-modules', '--no-warnings'];
process.exit(await run(node, [...how, bin('jest/bin/jest.js'), ...args]));
