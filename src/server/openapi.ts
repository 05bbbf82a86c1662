import { z } from 'zod';
import { newProject, patchBody, projectFile, revisionBody, traceBody } from '../contract/index.ts';

interface Route {
  method: 'get' | 'post' | 'patch' | 'delete';
  path: string;
  summary: string;
  body?: z.ZodType;
  form?: boolean;
  ok?: number;
}

const ROUTES: Route[] = [
  { method: 'get', path: '/api/projects', summary: 'All projects' },
  { method: 'post', path: '/api/projects', summary: 'Make a new project', body: newProject, ok: 201 },
  { method: 'post', path: '/api/projects/import', summary: 'Load a saved project file', body: projectFile, ok: 201 },
  { method: 'get', path: '/api/projects/{id}', summary: 'Document and revision' },
  {
    method: 'patch',
    path: '/api/projects/{id}',
    summary: 'Change the document; 409 when it was changed meanwhile',
    body: patchBody,
  },
  { method: 'delete', path: '/api/projects/{id}', summary: 'Delete the project', ok: 204 },
  { method: 'post', path: '/api/projects/{id}/restore', summary: 'Put a deleted project back on the shelf' },
  { method: 'post', path: '/api/projects/{id}/undo', summary: 'Undo the last change', body: revisionBody },
  { method: 'post', path: '/api/projects/{id}/redo', summary: 'Redo the change undone last', body: revisionBody },
  { method: 'get', path: '/api/projects/{id}/history', summary: 'All changes, newest first' },
  {
    method: 'get',
    path: '/api/projects/{id}/at/{revision}',
    summary: 'The document as it was at a revision; 410 when lost',
  },
  {
    method: 'post',
    path: '/api/projects/{id}/shell',
    summary: 'Upload the shell pattern (SVG, DXF, PDF); columns, overlap, order, scale and groups are for PDF',
    form: true,
    ok: 201,
  },
  { method: 'get', path: '/api/projects/{id}/files', summary: 'The files the pieces were read from' },
  { method: 'get', path: '/api/projects/{id}/files/{file}', summary: 'One of them, as it was uploaded' },
  { method: 'get', path: '/api/jobs/{job}', summary: 'How far the upload that named itself so is' },
  { method: 'delete', path: '/api/jobs/{job}', summary: 'Give that upload up; 409 when it is in already', ok: 204 },
  {
    method: 'post',
    path: '/api/look',
    summary: 'What a file holds: line groups, page layout, test squares; nothing is stored',
    form: true,
  },
  {
    method: 'post',
    path: '/api/projects/{id}/trace',
    summary: 'Add a piece traced in a picture, by known corners and points along its edge',
    body: traceBody,
    ok: 201,
  },
  { method: 'get', path: '/api/projects/{id}/pieces', summary: 'Every piece, shell and derived, with figures' },
  { method: 'get', path: '/api/projects/{id}/seams', summary: 'Every seam walked' },
  { method: 'get', path: '/api/projects/{id}/closure', summary: 'Buttons and buttonholes' },
  { method: 'get', path: '/api/projects/{id}/plan', summary: 'The making-up plan' },
  { method: 'get', path: '/api/projects/{id}/cutting', summary: 'The cut list' },
  {
    method: 'get',
    path: '/api/projects/{id}/export/pattern.pdf',
    summary: 'Full-size PDF, tiled; query: paper, pieces, strip',
  },
  {
    method: 'get',
    path: '/api/projects/{id}/export/changes.pdf',
    summary: "The lining as changes to the shell's pattern, a page for each piece; query: paper",
  },
  { method: 'get', path: '/api/projects/{id}/export/pieces.svg', summary: 'Full-size SVG; query: pieces, strip' },
  { method: 'get', path: '/api/projects/{id}/export/cut-list.csv', summary: 'The cut list as CSV' },
  { method: 'get', path: '/api/projects/{id}/export/project.json', summary: 'The project as a file' },
];

const FORM = {
  type: 'object',
  required: ['file'],
  properties: {
    file: { type: 'string', format: 'binary' },
    unit: { enum: ['mm', 'cm', 'm', 'in', 'pt', 'pc', 'px', 'q'] },
    lines: { enum: ['cut', 'seam'] },
    columns: { type: 'integer', minimum: 1, maximum: 100 },
    overlap: { type: 'number', minimum: 0, maximum: 60, description: 'mm' },
    order: { enum: ['rows', 'columns'] },
    scale: { type: 'number', minimum: 0.2, maximum: 5 },
    groups: { type: 'string', description: 'ids of line groups, with commas between' },
    job: { type: 'string', pattern: '^[\\w-]{1,64}$', description: 'a name of your own, to ask how far it is' },
  },
};

function operation(r: Route) {
  const ids = [...r.path.matchAll(/\{(\w+)\}/g)].map((m) => ({
    name: m[1],
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }));
  const content = r.form
    ? { 'multipart/form-data': { schema: FORM } }
    : r.body
      ? { 'application/json': { schema: z.toJSONSchema(r.body, { unrepresentable: 'any' }) } }
      : null;
  return {
    summary: r.summary,
    ...(ids.length && { parameters: ids }),
    ...(content && { requestBody: { required: true, content } }),
    responses: {
      [String(r.ok ?? 200)]: { description: 'done' },
      default: { description: 'problem details (RFC 9457)', content: { 'application/problem+json': {} } },
    },
  };
}

/** The interface over HTTP as OpenAPI 3.1. */
export function openapi() {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const r of ROUTES) paths[r.path] = { ...paths[r.path], [r.method]: operation(r) };
  return { openapi: '3.1.0', info: { title: 'Woodbine', version: '0.1.0' }, paths };
}
