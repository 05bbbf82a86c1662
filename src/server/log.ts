import { randomBytes } from 'node:crypto';
import { appendFileSync, mkdirSync, renameSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** A log file that has grown to this gives way to a new one; so many are kept (bytes). */
const [LONG, KEPT] = [2 * 1024 * 1024, 3];

export interface Log {
  /** Notes an error under an id that its answer carries; gives the id. */
  error: (e: unknown, where: string) => string;
}

/** Where in the code it happened, and of what kind: never what the error says, which can quote what a project holds. */
function kindOf(e: unknown): Record<string, unknown> {
  if (!(e instanceof Error)) return { name: typeof e };
  const frames = (e.stack ?? '').split('\n').filter((l) => /^\s+at /.test(l));
  const code = (e as NodeJS.ErrnoException).code;
  return {
    name: e.name,
    ...(code !== undefined && { code }),
    at: frames.slice(0, 12).map((l) => l.trim()),
    ...(e.cause !== undefined && { cause: kindOf(e.cause) }),
  };
}

/** Keeps errors in the data folder, as JSON lines, the newest file being `woodbine.log`. */
export function logIn(folder: string, now: () => Date, newId = () => randomBytes(4).toString('hex')): Log {
  const dir = join(folder, 'log');
  const file = join(dir, 'woodbine.log');
  return {
    error(e, where) {
      const id = newId();
      try {
        mkdirSync(dir, { recursive: true, mode: 0o700 });
        if ((statSync(file, { throwIfNoEntry: false })?.size ?? 0) > LONG)
          for (let i = KEPT - 1; i > 0; i--) {
            const from = i === 1 ? file : `${file}.${i - 1}`;
            if (statSync(from, { throwIfNoEntry: false })) renameSync(from, `${file}.${i}`);
          }
        appendFileSync(file, `${JSON.stringify({ at: now().toISOString(), id, where, ...kindOf(e) })}\n`, {
          mode: 0o600,
        });
      } catch {
        // A full disk: the answer says what happened all the same.
      }
      return id;
    },
  };
}
