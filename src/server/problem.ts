import { type Context } from 'hono';
import { type ContentfulStatusCode } from 'hono/utils/http-status';
import { type Problem, type Saving, sentenceOf } from '../contract/index.ts';
import { type Finding } from '../core/result.ts';
import { type NotKept } from './db/kept.ts';

const TITLES: Record<number, string> = {
  400: 'Not understood',
  401: 'A key is needed',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed meanwhile',
  413: 'Too large',
  415: 'Wrong kind of content',
  422: 'Cannot be used',
  429: 'Too many tries',
  500: 'Something went wrong here',
  503: 'Nothing can be saved now',
  507: 'The disk is full',
};

/** An RFC 9457 answer as it goes out. `code` becomes the problem type; more fields may follow. */
export function problemBody(
  status: number,
  code: string,
  detail: string,
  more: Record<string, unknown> = {},
): { status: number; type: string; body: string } {
  const body: Problem = {
    type: `urn:woodbine:problem:${code}`,
    title: TITLES[status] ?? 'Refused',
    status,
    detail,
    ...more,
  };
  return { status, type: 'application/problem+json', body: JSON.stringify(body) };
}

export function problem(
  c: Context,
  status: number,
  code: string,
  detail: string,
  more: Record<string, unknown> = {},
): Response {
  const { type, body } = problemBody(status, code, detail, more);
  return c.body(body, status as ContentfulStatusCode, { 'content-type': type });
}

/** What is stored of a project is none: told, with where. */
export function unreadableBody(name: string, problems: { path: string; message: string }[]) {
  const where = problems
    .slice(0, 3)
    .map((p) => `${p.path}: ${p.message}`)
    .join('; ');
  const detail = `What is stored of "${name}" cannot be read (${where}). It is kept as it is; restore a backup, or ask for help with the data folder.`;
  return problemBody(422, 'unreadable', detail, { problems });
}

const NOT_KEPT: Record<Exclude<Saving, 'ok'>, string> = {
  'disk-full': 'The disk is full: nothing is saved until there is room.',
  'read-only': 'The data folder cannot be written: nothing is saved until it can be.',
  failing: 'The disk refuses what is written: nothing is saved until it takes it again.',
};

/** What the sewist asked for could not be written down. */
export function notKept(c: Context, e: NotKept): Response {
  const why = e.why === 'ok' ? 'failing' : e.why;
  const kept = e.certain
    ? 'Your project is as it was.'
    : 'It could not be made sure whether this last change is kept: look at it again when Woodbine has been started anew.';
  return problem(c, why === 'disk-full' ? 507 : 503, why, `${NOT_KEPT[why]} ${kept}`);
}

/** Refusals of the core as one answer: the first sentence as detail, each with its place. */
export function refusal(c: Context, findings: Finding[], status = 422): Response {
  const problems = findings.map((f) => ({
    code: f.code,
    where: f.where ?? null,
    data: f.data ?? {},
    message: sentenceOf(f),
  }));
  const first = problems[0];
  const detail =
    problems.length > 1
      ? problems
          .map((p) => p.message)
          .slice(0, 5)
          .join(' ')
      : (first?.message ?? 'Refused.');
  return problem(c, status, first?.code ?? 'refused', detail, { problems });
}
