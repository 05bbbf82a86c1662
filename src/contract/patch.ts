import { type PatchOperation } from './http.ts';

/**
 * Changes of a document as operations like those of JSON patches (RFC 6902) on JSON pointers (RFC 6901), with one
 * difference: where a list's entries have ids, a step of a path names the entry by its id, never by its place. So a
 * change goes on meaning the same piece and edge when others were put in, taken out or moved. Any other list is one value.
 */

type Entry = Record<string, unknown>;

const isObject = (v: unknown): v is Entry => v !== null && typeof v === 'object' && !Array.isArray(v);
const idOf = (v: unknown): string | null => (isObject(v) && typeof v.id === 'string' ? v.id : null);
const escaped = (step: string): string => step.replaceAll('~', '~0').replaceAll('/', '~1');
/** Steps of a JSON pointer. */
export const stepsOf = (path: string): string[] =>
  path
    .split('/')
    .slice(1)
    .map((s) => s.replaceAll('~1', '/').replaceAll('~0', '~'));

/** The ids of a list's entries; null where it is not such a list. An id that looks like a place is none. */
function idsOf(list: unknown[]): string[] | null {
  const ids: string[] = [];
  for (const entry of list) {
    const id = idOf(entry);
    if (id === null || /^\d*$/.test(id)) return null;
    ids.push(id);
  }
  return new Set(ids).size === ids.length ? ids : null;
}

function same(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (Array.isArray(a)) return Array.isArray(b) && a.length === b.length && a.every((v, i) => same(v, b[i]));
  if (!isObject(a) || !isObject(b)) return false;
  const keys = Object.keys(a).filter((k) => a[k] !== undefined);
  return keys.length === Object.keys(b).filter((k) => b[k] !== undefined).length && keys.every((k) => same(a[k], b[k]));
}

/** The operations that make `b` of `a`; both plain JSON values. Undefined counts as not there. */
export function comparePatch(a: unknown, b: unknown): PatchOperation[] {
  const out: PatchOperation[] = [];
  compareAt(a, b, '', out);
  return out;
}

function compareAt(a: unknown, b: unknown, path: string, out: PatchOperation[]): void {
  if (a === b) return;
  if (Array.isArray(a) && Array.isArray(b)) {
    compareLists(a, b, path, out);
    return;
  }
  if (!isObject(a) || !isObject(b)) {
    out.push({ op: 'replace', path, value: b });
    return;
  }
  for (const key of Object.keys(a))
    if (a[key] !== undefined && b[key] === undefined) out.push({ op: 'remove', path: `${path}/${escaped(key)}` });
  for (const key of Object.keys(b)) {
    if (b[key] === undefined) continue;
    const at = `${path}/${escaped(key)}`;
    if (a[key] === undefined) out.push({ op: 'add', path: at, value: b[key] });
    else compareAt(a[key], b[key], at, out);
  }
}

function compareLists(a: unknown[], b: unknown[], path: string, out: PatchOperation[]): void {
  const [was, is] = [idsOf(a), idsOf(b)];
  const [before, after] = [new Set(was), new Set(is)];
  const stay = was?.filter((id) => after.has(id)) ?? [];
  // Entries that changed their order, or none in common: the list as a whole. What comes into an empty list comes in one by one.
  const byId =
    was &&
    is &&
    (stay.length || (!was.length && is.length)) &&
    stay.join('/') === is.filter((id) => before.has(id)).join('/');
  if (!byId) {
    if (!same(a, b)) out.push({ op: 'replace', path, value: b });
    return;
  }
  for (const id of was) if (!after.has(id)) out.push({ op: 'remove', path: `${path}/${escaped(id)}` });
  for (const [i, id] of is.entries()) {
    const at = `${path}/${escaped(id)}`;
    if (before.has(id)) compareAt(a[was.indexOf(id)], b[i], at, out);
    else out.push({ op: 'add', path: at, value: b[i], after: i ? (is[i - 1] as string) : null });
  }
}

/** A patch that does not fit the document; the message says where. */
export class PatchFault extends Error {}

/** Names by which an object's own making could be reached. */
const NEVER = new Set(['__proto__', 'constructor', 'prototype']);

/** Where a step of a path leads in a list: by id, or by place in patches older versions wrote; -1 for nowhere. */
function placeOf(list: unknown[], step: string): number {
  const at = list.findIndex((v) => idOf(v) === step);
  return at < 0 && /^\d+$/.test(step) && Number(step) < list.length ? Number(step) : at;
}

function inList(list: unknown[], step: string, rest: string[], op: PatchOperation): unknown[] {
  const at = placeOf(list, step);
  if (rest.length) {
    if (at < 0) throw new PatchFault(`${op.path}: "${step}" is not there`);
    return list.with(at, applied(list[at], rest, op));
  }
  if (op.op === 'add') {
    if (at >= 0 && idOf(list[at]) === step) throw new PatchFault(`${op.path}: "${step}" is there already`);
    return list.toSpliced(spotFor(list, step, op.after), 0, op.value);
  }
  if (at < 0) throw new PatchFault(`${op.path}: "${step}" is not there`);
  return op.op === 'remove' ? list.toSpliced(at, 1) : list.with(at, op.value);
}

/** Where a new entry goes: behind the one it was made behind, else at the end. */
function spotFor(list: unknown[], step: string, after: string | null | undefined): number {
  if (after === null) return 0;
  const behind = after === undefined ? -1 : list.findIndex((v) => idOf(v) === after);
  if (behind >= 0) return behind + 1;
  return after === undefined && /^\d+$/.test(step) ? Math.min(Number(step), list.length) : list.length;
}

function applied(node: unknown, steps: string[], op: PatchOperation): unknown {
  const [step, ...rest] = steps;
  if (step === undefined) {
    if (op.op === 'remove') throw new PatchFault('the whole document cannot be removed');
    return op.value;
  }
  if (Array.isArray(node)) return inList(node, step, rest, op);
  if (!isObject(node) || NEVER.has(step)) throw new PatchFault(`${op.path}: "${step}" is not there`);
  const there = Object.hasOwn(node, step);
  if (!there && (rest.length || op.op !== 'add')) throw new PatchFault(`${op.path}: "${step}" is not there`);
  if (op.op === 'remove' && !rest.length) {
    const { [step]: _, ...others } = node;
    return others;
  }
  return { ...node, [step]: applied(node[step], rest, op) };
}

/** The document after a patch; the given one is left alone, what did not change is shared. Throws `PatchFault`. */
export function applyPatch<T>(document: T, patch: readonly PatchOperation[]): T {
  return patch.reduce<unknown>((d, op) => applied(d, stepsOf(op.path), op), document) as T;
}

/** The first path that speaks of an entry of a list with ids by its place; null where none does. */
export function byPlace(document: unknown, patch: readonly PatchOperation[]): string | null {
  for (const { path } of patch) {
    let node = document;
    for (const step of stepsOf(path)) {
      const list = Array.isArray(node) ? node : null;
      if (list?.length && idsOf(list) && /^(\d+|-)$/.test(step)) return path;
      node = list ? list[placeOf(list, step)] : isObject(node) ? node[step] : undefined;
    }
  }
  return null;
}

/** Whether two patches speak of the same place, or one of a place within the other's. */
export function touch(a: readonly PatchOperation[], b: readonly PatchOperation[]): boolean {
  const within = (x: string, y: string): boolean => x === y || x.startsWith(`${y}/`) || y.startsWith(`${x}/`);
  return a.some((p) => b.some((q) => within(p.path, q.path)));
}

/** What stands at a place of a document; undefined where there is none. */
export const valueAt = (document: unknown, path: string): unknown =>
  stepsOf(path).reduce<unknown>(
    (node, step) => (Array.isArray(node) ? node[placeOf(node, step)] : isObject(node) ? node[step] : undefined),
    document,
  );
