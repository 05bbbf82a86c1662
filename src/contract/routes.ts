import { z } from 'zod';
import { type Entry, type Timed } from '../core/bench/index.ts';
import { type ProjectDocument } from '../core/document/project.ts';
import { type Box } from '../core/geometry/index.ts';
import { type Layout, type LineGroup, type Progress } from '../core/import/index.ts';
import { LONG_PAPERS } from '../core/output/paper.ts';
import { type Finding } from '../core/result.ts';
import { entryBody } from './bench.ts';
import { type CalendarAnswer, desk, networkAnswer, progressAnswer } from './benchroutes.ts';
import { projectDocument, projectFile } from './document.ts';
import {
  backupAnswer,
  backupLook,
  demoBody,
  historyEntry,
  layAnswer,
  layBody,
  maybeRevision,
  networkBody,
  newProject,
  patchBody,
  putBackAnswer,
  putBackBody,
  revisionBody,
  stateAnswer,
  storedFile,
  summary,
  ticksBody,
  traceBody,
} from './http.ts';

/** One thing that can be asked of the server: what goes in, and what comes out. */
export interface Route {
  summary: string;
  /** JSON, a form with a file in it, or the bytes of a zip. */
  body?: z.ZodType;
  form?: z.ZodType;
  zip?: true;
  /** What may be said in the address. */
  query?: z.ZodType;
  /** Of JSON its shape, else its media type; nothing where it answers with 204. */
  answer?: z.ZodType | string;
  /** 200 where nothing else is said, 204 where nothing is answered. */
  ok?: 201;
}

/** What a document is, as it is stored and sent. */
const document = projectDocument as unknown as z.ZodType<ProjectDocument>;

const projectAnswer = z
  .object({
    id: z.string(),
    name: z.string(),
    garment: z.string(),
    revision: z.number(),
    document,
    steps: z.object({ undo: z.string().nullable(), redo: z.string().nullable() }),
  })
  .meta({ id: 'Project' });

/** A finding with its sentence. */
const told = z.array(z.custom<Finding & { message: string }>());

/** What a file holds, as the server saw it. */
interface Looked {
  kind: 'pdf' | 'drawing';
  nested: boolean;
  groups: (Omit<LineGroup, 'paths'> & { d: string })[];
  layout: Layout | null;
  squares: { measured: number; nominal: number | null }[];
  tiles: { trim: Box; d: string[] } | null;
  findings: (Finding & { message: string })[];
}

const fileForm = z.object({
  file: z.string().meta({ format: 'binary' }),
  unit: z.enum(['mm', 'cm', 'm', 'in', 'pt', 'pc', 'px', 'q']).optional(),
  lines: z.enum(['cut', 'seam']).optional(),
  columns: z.int().min(1).max(100).optional(),
  overlap: z.number().min(0).max(60).optional().describe('mm'),
  order: z.enum(['rows', 'columns']).optional(),
  scale: z.number().min(0.2).max(5).optional(),
  groups: z.string().optional().describe('ids of line groups, with commas between'),
  job: z
    .string()
    .regex(/^[\w-]{1,64}$/)
    .optional()
    .describe('a name of your own, to ask how far it is'),
});
const shellForm = fileForm.extend({ revision: z.int().min(0).optional() });

const paper = z.object({ paper: z.enum(['a4', 'letter']).optional() });
const chosen = z.object({
  pieces: z.string().optional().describe('ids, with commas between; all where it is not said'),
  strip: z.enum(['0', '1']).optional(),
});

const lineWidth = z.string().optional().describe('of a long page: how thick lines are, mm, 0.1 to 5');
const layers = z
  .enum(['numbers', 'names'])
  .optional()
  .describe('layers by the numbers of the exchange convention, or by what is on them');
const ofCloth = z.string().optional().describe('its id; the first cloth where it is not said');

/** All that can be asked of the server, once: its types, what is read of a request, and the description for other programs come from here. */
export const ROUTES = {
  'GET /api/projects': {
    summary: 'All projects, and the demo projects',
    answer: z.object({
      projects: z.array(summary),
      demos: z.array(z.object({ id: z.string(), name: z.string(), garment: z.string() })),
    }),
  },
  'POST /api/projects': { summary: 'Make a new project', body: newProject, answer: projectAnswer, ok: 201 },
  'POST /api/projects/demo': {
    summary: 'Put a demo project on the shelf',
    body: demoBody,
    answer: projectAnswer,
    ok: 201,
  },
  'POST /api/projects/import': {
    summary: 'Load a saved project file',
    body: projectFile,
    answer: projectAnswer,
    ok: 201,
  },
  'GET /api/projects/{id}': { summary: 'Document and revision', answer: projectAnswer },
  'PATCH /api/projects/{id}': {
    summary: 'Change the document; 409 when it was changed meanwhile',
    body: patchBody,
    answer: projectAnswer,
  },
  'DELETE /api/projects/{id}': {
    summary: 'Take the project off the shelf',
    query: z.object({ revision: z.int().min(0).optional() }),
  },
  'POST /api/projects/{id}/restore': {
    summary: 'Put a deleted project back on the shelf',
    body: maybeRevision,
    answer: projectAnswer,
  },
  'POST /api/projects/{id}/undo': { summary: 'Undo the last change', body: revisionBody, answer: projectAnswer },
  'POST /api/projects/{id}/redo': { summary: 'Redo the change undone last', body: revisionBody, answer: projectAnswer },
  'GET /api/stash': {
    summary: 'What one has, over all projects: a document that is changed like a project, in `decisions.stash`',
    answer: projectAnswer,
  },
  'GET /api/projects/{id}/history': {
    summary: 'All changes, newest first',
    answer: z.object({ changes: z.array(historyEntry) }),
  },
  'GET /api/projects/{id}/at/{revision}': {
    summary: 'The document as it was at a revision; 410 when lost',
    answer: z.object({ revision: z.number(), document }),
  },
  'POST /api/projects/{id}/shell': {
    summary: 'Upload the shell pattern (SVG, DXF, PDF); columns, overlap, order, scale and groups are for PDF',
    form: shellForm,
    answer: z.object({
      fileId: z.string(),
      revision: z.number(),
      pieces: z.array(z.unknown()),
      findings: told,
    }),
    ok: 201,
  },
  'POST /api/projects/{id}/trace': {
    summary: 'Add a piece traced in a picture, by known corners and points along its edge',
    body: traceBody,
    answer: projectAnswer.extend({ findings: told, residualMm: z.number() }).meta({ id: 'Traced' }),
    ok: 201,
  },
  'GET /api/projects/{id}/files': {
    summary: 'The files the pieces were read from',
    answer: z.object({ files: z.array(storedFile) }),
  },
  'GET /api/projects/{id}/files/{file}': {
    summary: 'One of them, as it was uploaded',
    answer: 'application/octet-stream',
  },
  'GET /api/projects/{id}/pieces': { summary: 'Every piece, shell and derived, with figures', answer: z.unknown() },
  'GET /api/projects/{id}/seams': { summary: 'Every seam walked', answer: z.unknown() },
  'GET /api/projects/{id}/closure': { summary: 'Buttons and buttonholes', answer: z.unknown() },
  'GET /api/projects/{id}/plan': { summary: 'The making-up plan', answer: z.unknown() },
  'GET /api/projects/{id}/cutting': {
    summary: 'The cut list, and how the pieces lie on their cloths',
    answer: z.unknown(),
  },
  'GET /api/projects/{id}/progress': {
    summary:
      'Which steps of the plan are done, when, and in how many minutes; which of them the plan has otherwise by now',
    answer: progressAnswer,
  },
  'PATCH /api/projects/{id}/progress': {
    summary:
      'Tick steps, also ones ticked elsewhere before; 409 only where a revision is said and it is another by now',
    body: ticksBody,
    answer: progressAnswer,
  },
  'GET /api/projects/{id}/calendar': {
    summary: 'Sittings from today on and back from the day it is wanted for, what is short, and what would help',
    query: desk,
    answer: z.custom<CalendarAnswer>(),
  },
  'GET /api/projects/{id}/export/calendar.ics': {
    summary: 'The sittings as iCalendar (RFC 5545), in the time of the place',
    query: desk,
    answer: 'text/calendar',
  },
  'GET /api/pace': {
    summary: 'All steps that were timed, over all projects: what the pace is learnt from',
    answer: z.object({ timed: z.array(z.custom<Timed>()) }),
  },
  'GET /api/wardrobe': {
    summary: 'Garments that are finished, the newest first, with the minutes timed and a picture of each',
    answer: z.object({
      garments: z.array(
        z.object({
          ...{ project: z.string(), name: z.string(), garment: z.string(), finished: z.string() },
          ...{ minutes: z.number(), picture: z.string().nullable() },
        }),
      ),
    }),
  },
  'GET /api/notebook': {
    summary: 'All entries of all notebooks',
    answer: z.object({
      entries: z.array(
        z.object({
          ...{ project: z.string(), name: z.string(), garment: z.string(), pattern: z.string() },
          entry: z.custom<Entry>(),
        }),
      ),
    }),
  },
  'GET /api/projects/{id}/entries': {
    summary: 'The notebook of a project',
    answer: z.object({ entries: z.array(z.custom<Entry>()) }),
  },
  'POST /api/projects/{id}/entries': {
    summary:
      'Write into the notebook: JSON, or a form with the same as `entry` and a `picture` (JPEG, PNG, WebP, 25 MB)',
    body: entryBody,
    answer: z.object({ entry: z.custom<Entry>(), revision: z.int() }),
    ok: 201,
  },
  'GET /api/projects/{id}/pictures/{file}': {
    summary: 'A picture of the notebook',
    query: z.object({ size: z.enum(['small']).optional() }),
    answer: 'image/*',
  },
  'GET /api/projects/{id}/export/notebook.zip': {
    summary: 'The notebook as Markdown with its pictures',
    answer: 'application/zip',
  },
  'GET /api/projects/{id}/pages': {
    summary: 'The pages of the full-size PDF, and where each sheet lies on their plane; takes seconds',
    query: paper.extend(chosen.shape),
    answer: z.object({
      paper: z.enum(['a4', 'letter']),
      pages: z.int().describe('with the one that has the squares; 0 where nothing is chosen'),
      rows: z.int(),
      columns: z.int(),
      placed: z.array(
        z.object({
          id: z.string(),
          turnDeg: z.union([z.literal(0), z.literal(180)]),
          x: z.number().describe('of the lower corner of its outline as it lies, mm'),
          y: z.number(),
        }),
      ),
    }),
  },
  'GET /api/projects/{id}/export/pattern.pdf': {
    summary: 'Full-size PDF: tiled, or on one long page for a roll plotter or a projector',
    query: z
      .object({ paper: z.enum(['a4', 'letter', ...LONG_PAPERS]).optional(), line: lineWidth })
      .extend(chosen.shape),
    answer: 'application/pdf',
  },
  'GET /api/projects/{id}/export/changes.pdf': {
    summary: "The lining as changes to the shell's pattern, a page for each piece",
    query: paper,
    answer: 'application/pdf',
  },
  'GET /api/projects/{id}/export/pieces.svg': { summary: 'Full-size SVG', query: chosen, answer: 'image/svg+xml' },
  'GET /api/projects/{id}/export/pieces.dxf': {
    summary: 'Full-size DXF, a block for each piece',
    query: chosen.extend({ layers }),
    answer: 'image/vnd.dxf',
  },
  'GET /api/projects/{id}/export/lay.svg': {
    summary: 'The lay of a cloth at full size, x across the cloth and y along it',
    query: z.object({ cloth: ofCloth }),
    answer: 'image/svg+xml',
  },
  'GET /api/projects/{id}/export/lay.dxf': {
    summary: 'The same as DXF, a block for each cut',
    query: z.object({ cloth: ofCloth, layers }),
    answer: 'image/vnd.dxf',
  },
  'GET /api/projects/{id}/export/lay.pdf': {
    summary: 'The same as PDF: one page as large as the cloth it takes',
    query: z.object({ cloth: ofCloth }),
    answer: 'application/pdf',
  },
  'GET /api/projects/{id}/export/cut-list.csv': { summary: 'The cut list as CSV', answer: 'text/csv' },
  'GET /api/projects/{id}/export/plan.html': {
    summary: 'The plan as one page with everything in it, for a tablet without Woodbine',
    answer: 'text/html',
  },
  'GET /api/projects/{id}/export/project.json': { summary: 'The project as a file', answer: projectFile },
  'POST /api/look': {
    summary: 'What a file holds: line groups, page layout, test squares; nothing is stored',
    form: fileForm,
    answer: z.custom<Looked>(),
  },
  'POST /api/lay': {
    summary: 'Lays outlines on a strip, as short as can be found in the time that is given',
    body: layBody,
    answer: layAnswer,
  },
  'GET /api/jobs/{job}': { summary: 'How far the upload that named itself so is', answer: z.custom<Progress>() },
  'DELETE /api/jobs/{job}': { summary: 'Give that upload up; 409 when it is in already' },
  'GET /api/health': { summary: 'Whether it runs', answer: z.object({ ok: z.literal(true) }) },
  'GET /api/state': {
    summary: 'Whether anything can be saved, and what is to be told about the data',
    answer: stateAnswer,
  },
  'POST /api/state/notices/{id}/seen': { summary: 'A notice has been read' },
  'GET /api/network': {
    summary: 'Whether it is open to the home network, and the links that let in',
    answer: networkAnswer,
  },
  'POST /api/network': {
    summary: 'Open it to the home network, or shut it again; only on the machine it runs on',
    body: networkBody,
    answer: networkAnswer,
  },
  'GET /api/events': { summary: 'What is changed, at once, as server-sent events', answer: 'text/event-stream' },
  'GET /api/backups': { summary: 'All backups', answer: z.object({ backups: z.array(backupAnswer) }) },
  'POST /api/backups': { summary: 'Make a backup now', answer: z.object({ name: z.string() }), ok: 201 },
  'POST /api/backups/brought': { summary: 'Bring a backup from elsewhere', zip: true, answer: backupLook },
  'GET /api/backups/{name}': { summary: 'What is in a backup, against the shelf', answer: backupLook },
  'POST /api/backups/{name}/restore': {
    summary: 'Put projects of a backup back',
    body: putBackBody,
    answer: putBackAnswer,
  },
  'GET /api/backups/everything.zip': { summary: 'All projects with their files', answer: 'application/zip' },
  'GET /api/backups/project/{id}/project.zip': { summary: 'One project with its files', answer: 'application/zip' },
  'GET /api/openapi.json': { summary: 'This description', answer: z.unknown() },
} as const satisfies Record<`${'GET' | 'POST' | 'PATCH' | 'DELETE'} /api/${string}`, Route>;

export type RouteKey = keyof typeof ROUTES;
type Of<K extends RouteKey> = (typeof ROUTES)[K];

/** What is answered; nothing where that is said, bytes where it is a file. */
export type Answer<K extends RouteKey> =
  Of<K> extends { answer: infer A } ? (A extends z.ZodType ? z.infer<A> : never) : undefined;

/** What is sent along. */
export type Sent<K extends RouteKey> =
  Of<K> extends { body: infer B extends z.ZodType }
    ? z.input<B>
    : Of<K> extends { form: unknown }
      ? FormData
      : Of<K> extends { zip: true }
        ? File
        : undefined;

/** The names in braces of its address. */
export type Named<K extends string> = K extends `${string}{${infer N}}${infer R}` ? N | Named<R> : never;
