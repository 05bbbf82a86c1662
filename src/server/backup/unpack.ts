import { strFromU8, unzipSync } from 'fflate';
import { type Notice } from '../../contract/index.ts';
import { type FileRow, type StoredChange } from '../db/record.ts';
import { type Disk } from '../disk/disk.ts';
import { readWhole } from '../disk/files.ts';
import {
  changesEntry,
  FILES,
  MANIFEST,
  MANIFEST_SUM,
  type Manifest,
  manifestShape,
  NOTICES,
  originalEntry,
  type ProjectHead,
  projectEntry,
} from './manifest.ts';
import { sha256 } from './pack.ts';

export interface ProjectBack extends ProjectHead {
  document: unknown;
  changes: StoredChange[];
}

/** A backup that was read whole: every entry has the length and checksum its manifest tells. */
export interface Backup {
  manifest: Manifest;
  project(id: string): ProjectBack;
  files(): FileRow[];
  notices(): Notice[];
  /** The bytes of an uploaded file; null where the backup does not carry them. */
  original(id: string): Uint8Array | null;
}

/** A backup that cannot be used; the message is a sentence for the sewist. */
export class BadBackup extends Error {}

/** All that a backup unpacks to may be so large, bytes. */
const MOST = 2 * 1024 * 1024 * 1024;

function unzipped(bytes: Uint8Array, wanted: (name: string) => boolean): Record<string, Uint8Array> {
  try {
    let total = 0;
    return unzipSync(bytes, {
      filter: (f) => {
        if (!wanted(f.name)) return false;
        total += f.originalSize;
        if (total > MOST) throw new BadBackup('The backup would unpack to more than 2 GB.');
        return true;
      },
    });
  } catch (e) {
    throw e instanceof BadBackup ? e : new BadBackup('This is not a backup of Woodbine, or it is damaged.');
  }
}

/** A backup's entries, of those that are `wanted` each looked at against its checksum. Throws `BadBackup`. */
function backupOf(bytes: Uint8Array, wanted: (name: string) => boolean): Backup {
  const list = unzipped(bytes, (name) => name === MANIFEST || name === MANIFEST_SUM);
  const manifest = manifestOf(list[MANIFEST], list[MANIFEST_SUM]);
  const entries = unzipped(bytes, (name) => manifest.entries[name] !== undefined && wanted(name));
  for (const [name, said] of Object.entries(manifest.entries)) {
    if (!wanted(name)) continue;
    const held = entries[name];
    if (!held || held.length !== said.bytes || sha256(held) !== said.sum)
      throw new BadBackup(`The backup is damaged: "${name}" in it is not what was written.`);
  }
  const text = (name: string): string => {
    if (!entries[name]) throw new BadBackup(`The backup is damaged: "${name}" is not in it.`);
    return strFromU8(entries[name]);
  };
  const lines = <T>(name: string): T[] =>
    text(name)
      .split('\n')
      .filter(Boolean)
      .map((l) => JSON.parse(l) as T);
  return {
    manifest,
    project: (id) => ({ ...(JSON.parse(text(projectEntry(id))) as ProjectBack), changes: lines(changesEntry(id)) }),
    files: () => lines<FileRow>(FILES),
    notices: () => lines<Notice>(NOTICES),
    original: (id) => entries[originalEntry(id)] ?? null,
  };
}

/** The list of what a backup holds, without looking into the rest of it. Throws `BadBackup`. */
export async function manifestIn(disk: Disk, path: string): Promise<Manifest> {
  const bytes = await readWhole(disk, path);
  if (!bytes) throw new BadBackup('There is no such backup.');
  const entries = unzipped(bytes, (name) => name === MANIFEST || name === MANIFEST_SUM);
  return manifestOf(entries[MANIFEST], entries[MANIFEST_SUM]);
}

function manifestOf(bytes: Uint8Array | undefined, sum: Uint8Array | undefined): Manifest {
  if (!bytes || !sum) throw new BadBackup('This is not a backup of Woodbine: it has no list of what is in it.');
  if (sha256(bytes) !== strFromU8(sum)) throw new BadBackup('The list of what is in this backup is damaged.');
  try {
    return manifestShape.parse(JSON.parse(strFromU8(bytes)));
  } catch {
    throw new BadBackup('The list of what is in this backup cannot be read.');
  }
}

/** Reads a backup file, or only those of its entries that are `wanted`. Throws `BadBackup`. */
export async function openBackup(disk: Disk, path: string, wanted = (_: string) => true): Promise<Backup> {
  const bytes = await readWhole(disk, path);
  if (!bytes) throw new BadBackup('There is no such backup.');
  return backupOf(bytes, wanted);
}

/** Some projects of a backup, with the uploaded files it carries of them. */
export interface Taken {
  projects: ProjectBack[];
  files: { file: FileRow; bytes: Uint8Array | null }[];
}

/** Takes these projects out of a backup. Throws `BadBackup`. */
export async function takeOut(disk: Disk, path: string, ids: string[]): Promise<Taken> {
  const { files } = await manifestIn(disk, path);
  const of = files.filter((f) => ids.includes(f.project)).map((f) => f.id);
  const names = new Set([
    FILES,
    ...ids.flatMap((id) => [projectEntry(id), changesEntry(id)]),
    ...of.map(originalEntry),
  ]);
  const b = await openBackup(disk, path, (name) => names.has(name));
  const rows = b.files().filter((f) => ids.includes(f.project));
  return {
    projects: ids.map((id) => b.project(id)),
    files: rows.map((file) => ({ file, bytes: b.original(file.id) })),
  };
}
