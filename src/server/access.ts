import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { chmodSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Context, type MiddlewareHandler } from 'hono';
import { getCookie, setCookie } from 'hono/cookie';
import { problem } from './problem.ts';

const FILE = 'access.key';
const COOKIE = 'woodbine';
/** Wrong tries from one address, and from all, before no more are looked at for a while (ms). */
const [TRIES, ALL_TRIES, WHILE] = [10, 200, 10 * 60_000];
/** How long a browser stays let in, seconds. */
const LET_IN = 90 * 24 * 3600;

/** The secret of a data folder: made once, readable by its owner alone. Scripts read it there; the printed link has it. */
export function keyOf(folder: string): string {
  const file = join(folder, FILE);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  try {
    writeFileSync(file, randomBytes(24).toString('base64url'), { flag: 'wx', mode: 0o600 });
  } catch (e) {
    if ((e as NodeJS.ErrnoException).code !== 'EEXIST') throw e;
  }
  chmodSync(file, 0o600);
  return readFileSync(file, 'utf8').trim();
}

const digest = (s: string): Buffer => createHash('sha256').update(s).digest();
/** Takes as long whatever differs. */
const same = (a: string, b: string): boolean => timingSafeEqual(digest(a), digest(b));

/** Counts wrong tries by address, and forgets them after a while. */
class Tries {
  private readonly by = new Map<string, { n: number; since: number }>();
  private all = { n: 0, since: 0 };
  constructor(private readonly now: () => number) {}

  private fresh(t: { n: number; since: number } | undefined): { n: number; since: number } {
    return t && this.now() - t.since < WHILE ? t : { n: 0, since: this.now() };
  }
  tooMany(address: string): boolean {
    this.all = this.fresh(this.all);
    return this.fresh(this.by.get(address)).n >= TRIES || this.all.n >= ALL_TRIES;
  }
  wrong(address: string): void {
    const t = this.fresh(this.by.get(address));
    this.by.set(address, { ...t, n: t.n + 1 });
    this.all = { ...this.all, n: this.all.n + 1 };
    for (const [a, old] of this.by) if (this.now() - old.since >= WHILE) this.by.delete(a);
  }
}

const WORDS = 'Open Woodbine by the whole link that was printed when it was started: it holds a key.';

const page = (words: string): string =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><title>Woodbine</title><body style="font:20px serif;margin:3em auto;max-width:32em"><h1>Woodbine</h1><p>${words}</p></body></html>`;

/**
 * Lets in who has the key: by the printed link, which leaves a cookie behind and the address clean; by that cookie; or
 * as `Authorization: Bearer` from a script. `address` tells where a request comes from.
 */
export function keyed(key: string, address: (c: Context) => string, now: () => number = Date.now): MiddlewareHandler {
  const cookie = createHmac('sha256', key).update('cookie').digest('base64url');
  const tries = new Tries(now);
  return async (c, next) => {
    const api = c.req.path.startsWith('/api/');
    if (c.req.path === '/api/health') return next();
    const from = address(c);
    const refuse = (status: 401 | 429, words: string): Response => {
      if (status === 429) c.header('retry-after', String(WHILE / 1000));
      return api ? problem(c, status, 'key', words) : c.html(page(words), status);
    };
    const held = getCookie(c, COOKIE);
    if (held !== undefined && same(held, cookie)) return next();
    const offered = c.req.query('key') ?? /^Bearer (.+)$/.exec(c.req.header('authorization') ?? '')?.[1];
    if (offered === undefined && held === undefined) return refuse(401, WORDS);
    if (tries.tooMany(from)) return refuse(429, 'Too many tries with a wrong key. Wait ten minutes.');
    if (offered === undefined || !same(offered, key)) {
      tries.wrong(from);
      return refuse(401, `That key is not the right one. ${WORDS}`);
    }
    if (api) return next();
    setCookie(c, COOKIE, cookie, { httpOnly: true, sameSite: 'Strict', path: '/', maxAge: LET_IN });
    return c.redirect(c.req.path);
  };
}
