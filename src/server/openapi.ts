import { z } from 'zod';
import { problemAnswer, ROUTES, type Route } from '../contract/index.ts';

/** Shapes that have a name of their own stand once, and are pointed to. */
type Shapes = Record<string, unknown>;

const REFUSED = { description: 'problem details (RFC 9457)' };

/** A shape as JSON Schema, in the words of what is read or of what is answered. */
const drawn = (shape: z.ZodType, io: 'input' | 'output') =>
  z.toJSONSchema(shape, { unrepresentable: 'any', io, target: 'draft-2020-12' });

/** A shape of an answer; those in it that have a name go among the components. */
function shapeOf(shape: z.ZodType, shapes: Shapes): unknown {
  const said = JSON.stringify(drawn(shape, 'output')).replaceAll('"#/$defs/', '"#/components/schemas/');
  const { $schema: _, $defs, ...own } = JSON.parse(said) as { $schema?: unknown; $defs?: Shapes };
  Object.assign(shapes, $defs);
  return own;
}

function askedOf(r: Route): Record<string, unknown> | null {
  if (r.form) return { 'multipart/form-data': { schema: drawn(r.form, 'input') } };
  if (r.body) return { 'application/json': { schema: drawn(r.body, 'input') } };
  return r.zip ? { 'application/zip': { schema: { type: 'string', format: 'binary' } } } : null;
}

function parametersOf(path: string, r: Route) {
  const ids = [...path.matchAll(/\{(\w+)\}/g)].map((m) => ({
    name: m[1],
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }));
  const query = r.query ? (drawn(r.query, 'input').properties ?? {}) : {};
  return [...ids, ...Object.entries(query).map(([name, schema]) => ({ name, in: 'query', required: false, schema }))];
}

function answerOf(r: Route, shapes: Shapes) {
  if (!r.answer) return { '204': { description: 'done' } };
  const content =
    typeof r.answer === 'string' ? { [r.answer]: {} } : { 'application/json': { schema: shapeOf(r.answer, shapes) } };
  return { [String(r.ok ?? 200)]: { description: 'done', content } };
}

function operationOf(path: string, r: Route, shapes: Shapes) {
  const parameters = parametersOf(path, r);
  const content = askedOf(r);
  return {
    summary: r.summary,
    ...(parameters.length && { parameters }),
    ...(content && { requestBody: { required: true, content } }),
    responses: {
      ...answerOf(r, shapes),
      default: { ...REFUSED, content: { 'application/problem+json': { schema: shapeOf(problemAnswer, shapes) } } },
    },
  };
}

/** The interface over HTTP as OpenAPI 3.1, made from the contract itself. */
export function openapi() {
  const shapes: Shapes = {};
  const paths: Record<string, Record<string, unknown>> = {};
  for (const [key, route] of Object.entries<Route>(ROUTES)) {
    const [method, path] = key.split(' ') as [string, string];
    paths[path] = { ...paths[path], [method.toLowerCase()]: operationOf(path, route, shapes) };
  }
  return { openapi: '3.1.0', info: { title: 'Woodbine', version: '0.1.0' }, paths, components: { schemas: shapes } };
}
