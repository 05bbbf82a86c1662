import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
export const node = process.execPath;
export const bin = (name) => join(root, 'node_modules', name);
export const say = (line) => process.stdout.write(`${line}\n`);

/** Runs a command with its output shown; gives its exit code. */
export function run(command, args, options = {}) {
  return new Promise((done) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', ...options });
    child.on('error', () => done(127));
    child.on('close', (code, signal) => done(code ?? (signal ? 1 : 0)));
  });
}

/** Runs a command and shows its output when it has ended, so that two at a time can be read. */
export function quietly(command, args) {
  return new Promise((done) => {
    const said = [];
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    for (const out of [child.stdout, child.stderr]) out.on('data', (d) => said.push(d));
    const end = (code) => {
      process.stdout.write(Buffer.concat(said));
      done(code);
    };
    child.on('error', () => end(127));
    child.on('close', (code, signal) => end(code ?? (signal ? 1 : 0)));
  });
}

/** Installs the packages when they are missing or older than the lock file says. */
export async function install() {
  const lock = join(root, 'package-lock.json');
  const made = join(root, 'node_modules', '.package-lock.json');
  if (existsSync(made) && statSync(made).mtimeMs >= statSync(lock).mtimeMs) return 0;
  if (existsSync(made) && sameLock(lock, made)) return 0;
  say('Installing packages …');
  return run('npm', ['ci', '--no-fund', '--loglevel=error'], { shell: process.platform === 'win32' });
}

function sameLock(lock, made) {
  try {
    const want = JSON.parse(readFileSync(lock, 'utf8')).packages;
    const have = JSON.parse(readFileSync(made, 'utf8')).packages;
    return (
      Object.entries(have).every(([k, v]) => want[k]?.version === v.version) &&
      Object.entries(want).every(([k, v]) => k === '' || v.optional || have[k])
    );
  } catch {
    return false;
  }
}

/** The web pages and the server, made for use. `how` runs each command. */
export async function build(how = run) {
  const vite = [bin('vite/bin/vite.js'), 'build', '--logLevel', 'error'];
  const script = (name) => () => how(node, [join(root, 'scripts', name)]);
  const server = () => how(node, [...vite, '--ssr', '--outDir', 'dist/server']);
  return (await how(node, vite)) || (await script('packweb.mjs')()) || (await server()) || script('packempty.mjs')();
}

export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** Debian's Chromium, installed when it is missing and this machine lets us; else a sentence that says what to do. */
export async function chromium() {
  if (existsSync(CHROMIUM)) return null;
  const apt = spawnSync('sh', ['-c', 'command -v apt-get'], { encoding: 'utf8' }).stdout?.trim();
  const isRoot = process.getuid?.() === 0;
  if (apt && isRoot) {
    say("Installing Chromium from Debian's packages …");
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    await run('apt-get', ['update', '-qq'], { env, stdio: ['ignore', 'ignore', 'inherit'] });
    await run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], {
      env,
      stdio: ['ignore', 'ignore', 'inherit'],
    });
  }
  return existsSync(CHROMIUM)
    ? null
    : `The interface tests need Chromium at ${CHROMIUM}. Install it (Debian: apt-get install chromium) or set CHROMIUM to where it is.`;
}
