import { createHash } from 'node:crypto';
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import { type Notice } from '../../contract/index.ts';
import { type FileRow, joined } from '../db/record.ts';
import { type Disk } from '../disk/disk.ts';
import { makeWhole, writeAll } from '../disk/files.ts';
import {
  changesEntry,
  FILES,
  MANIFEST,
  MANIFEST_SUM,
  type Manifest,
  NOTICES,
  originalEntry,
  type ProjectHead,
  projectEntry,
} from './manifest.ts';

/** A project as it stands in the database: its document and each change's patches as JSON text, never parsed here. */
export interface ProjectItem extends ProjectHead {
  t: 'project';
  document: string;
  changes: {
    revision: number;
    kind: string;
    of: number | null;
    label: string;
    at: string;
    patch: string;
    inverse: string;
  }[];
}

export type Item = ProjectItem | { t: 'file'; file: FileRow; bytes?: Uint8Array } | { t: 'notice'; notice: Notice };

export type About = Pick<Manifest, 'at' | 'seq' | 'whole'>;

export const sha256 = (bytes: Uint8Array | string): string => createHash('sha256').update(bytes).digest('hex');

/** Writes a backup file. It stands only when it is whole and flushed; what it holds is given back. */
export function pack(disk: Disk, path: string, items: AsyncIterable<Item>, about: About): Promise<Manifest> {
  return makeWhole(disk, path, async (file) => {
    let at = 0;
    let waiting: Uint8Array[] = [];
    let failed: Error | null = null;
    const zip = new Zip((e, chunk) => {
      if (e) failed = e;
      else waiting.push(chunk);
    });
    const drain = async (): Promise<void> => {
      const chunks = waiting;
      waiting = [];
      if (failed) throw failed;
      const bytes = Buffer.concat(chunks);
      if (bytes.length) await writeAll(file, bytes, at);
      at += bytes.length;
    };
    const entries: Manifest['entries'] = {};
    const add = async (name: string, content: string | Uint8Array): Promise<void> => {
      const bytes = typeof content === 'string' ? Buffer.from(content) : content;
      // What was uploaded is mostly compressed already.
      const entry = typeof content === 'string' ? new ZipDeflate(name, { level: 1 }) : new ZipPassThrough(name);
      zip.add(entry);
      entry.push(bytes, true);
      entries[name] = { bytes: bytes.length, sum: sha256(bytes) };
      await drain();
    };
    const manifest: Manifest = { woodbine: 1, ...about, projects: [], files: [], entries };
    const [files, notices]: [string[], string[]] = [[], []];
    for await (const item of items) {
      if (item.t === 'notice') notices.push(JSON.stringify(item.notice));
      else if (item.t === 'file') {
        const { id, project, sum } = item.file;
        files.push(JSON.stringify(item.file));
        manifest.files.push({ id, project, sum });
        if (item.bytes) await add(originalEntry(id), item.bytes);
      } else {
        const { t: _, document, changes, createdAt, ...listed } = item;
        manifest.projects.push({ ...listed, sum: sha256(document) });
        await add(projectEntry(item.id), joined({ ...listed, createdAt }, { document }));
        const lines = changes.map(({ patch, inverse, ...c }) => `${joined(c, { patch, inverse })}\n`);
        await add(changesEntry(item.id), lines.join(''));
      }
    }
    await add(FILES, files.map((l) => `${l}\n`).join(''));
    await add(NOTICES, notices.map((l) => `${l}\n`).join(''));
    const list = JSON.stringify(manifest);
    await add(MANIFEST, list);
    await add(MANIFEST_SUM, sha256(list));
    zip.end();
    await drain();
    return manifest;
  });
}
