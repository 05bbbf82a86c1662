import { join } from 'node:path';
import { type Disk } from '../disk/disk.ts';
import { readWhole } from '../disk/files.ts';
import { type Originals } from './originals.ts';
import { type JournalRecord } from './record.ts';

/** The journal as it was kept until version 2026-11: JSON lines without checksums, the base of each rotation first. */
const FILE = 'journal.jsonl';

type OldRecord =
  | Exclude<JournalRecord, { t: 'file' }>
  | { t: 'base' }
  | { t: 'file'; id: string; project: string; name: string; size?: number; base64?: string; at: string };

/** Its records as they are written now. Lines that cannot be read are left out: the database holds them. */
export async function oldRecords(disk: Disk, folder: string, originals: Originals): Promise<JournalRecord[]> {
  const bytes = await readWhole(disk, join(folder, FILE));
  const out: JournalRecord[] = [];
  for (const line of bytes ? Buffer.from(bytes).toString('utf8').split('\n') : []) {
    const r = readable(line);
    if (!r || r.t === 'base') continue;
    if (r.t !== 'file') out.push(r);
    else {
      const { id, project, name, at } = r;
      const content = r.base64 === undefined ? null : Buffer.from(r.base64, 'base64');
      const sum = content ? await originals.put(id, content) : '';
      out.push({ t: 'file', file: { id, project, name, size: content?.length ?? r.size ?? 0, sum, at } });
    }
  }
  return out;
}

function readable(line: string): OldRecord | null {
  try {
    return line ? (JSON.parse(line) as OldRecord) : null;
  } catch {
    return null;
  }
}

/** Once a backup holds what it held. */
export async function putOldAway(disk: Disk, folder: string): Promise<void> {
  if ((await disk.list(folder)).includes(FILE)) await disk.rename(join(folder, FILE), join(folder, `${FILE}.taken-in`));
}
