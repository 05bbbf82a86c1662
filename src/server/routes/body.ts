import { type Context } from 'hono';
import { type ZodType } from 'zod';
import { problem } from '../problem.ts';
import { noText, unfitIn } from '../unfit.ts';
import { type Made } from '../work/document.ts';
import { type ChangeAsked } from '../work/made.ts';
import { type Works } from '../work/run.ts';

/** No small request is longer, in characters: what may be long is read in a thread. */
const LONGEST = 1_000_000;

type Body<T> = { ok: true; value: T } | { ok: false; answer: Response };

const NOT_JSON = 'The request is not readable JSON.';

function notFitting(c: Context, issues: { path: string; message: string }[]): Response {
  const problems = issues
    .slice(0, 10)
    .map((i) => ({ code: 'field', where: i.path.slice(0, 200), message: i.message.slice(0, 200) }));
  const detail = problems.map((p) => `${p.where || 'the request'}: ${p.message}`).join('; ');
  return problem(c, 422, 'fields', `Something in the request does not fit: ${detail}.`, { problems });
}

/** The JSON body of a small request, or a problem answer that says where it is wrong. */
export async function body<T>(c: Context, shape: ZodType<T>): Promise<Body<T>> {
  const text = await c.req.text();
  if (text.length > LONGEST)
    return { ok: false, answer: problem(c, 413, 'too-large', 'The request is too long for what it asks.') };
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return { ok: false, answer: problem(c, 400, 'json', NOT_JSON) };
  }
  const unfit = unfitIn(raw);
  if (unfit !== null)
    return { ok: false, answer: problem(c, 422, 'characters', noText(unfit.join('.') || 'the request')) };
  return fitting(c, shape, raw);
}

/** What was read, as it should be; or a problem answer that says where it is not. */
export function fitting<T>(c: Context, shape: ZodType<T>, raw: unknown): Body<T> {
  const read = shape.safeParse(raw);
  if (read.success) return { ok: true, value: read.data };
  const issues = read.error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
  return { ok: false, answer: notFitting(c, issues) };
}

/** A request that may be as long as a project and was read in a thread: why it was refused there. */
export function notTaken(
  c: Context,
  { problems, refused }: Extract<Made<never>, { ok: false }>,
  what: string,
): Response {
  if (refused === 'json') return problem(c, 400, 'json', NOT_JSON);
  if (refused === 'characters') return problem(c, 422, 'characters', noText(problems[0]?.path || 'the request'));
  if (refused === 'fields') return notFitting(c, problems);
  const detail = problems
    .map((p) => `${p.path}: ${p.message}`)
    .slice(0, 5)
    .join('; ');
  return problem(c, 422, 'document', `${what}: ${detail}.`, { problems });
}

/** What a request to change a project asks. It may hold a whole pattern: a long one is read beside. */
export async function changeAsked(c: Context, works: Works): Promise<Body<ChangeAsked>> {
  const read = await works.document({ do: 'asked', json: await c.req.text() });
  return read.ok
    ? { ok: true, value: read.made }
    : { ok: false, answer: notTaken(c, read, 'The change cannot be read') };
}
