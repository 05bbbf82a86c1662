import { basename, join } from 'node:path';
import { type BackupAnswer } from '../../contract/index.ts';
import { type Originals } from '../db/originals.ts';
import { type Disk } from '../disk/disk.ts';
import { makeWhole, PART, putWhole, readWhole, writeAll } from '../disk/files.ts';
import { type Manifest } from './manifest.ts';
import { type Item, sha256 } from './pack.ts';
import { type BackupTools } from './tools.ts';
import { BadBackup, manifestIn } from './unpack.ts';

/** Taken by Woodbine itself; brought in by hand from elsewhere. */
const [OWN, BROUGHT] = ['woodbine', 'brought'] as const;
const NAME = /^(woodbine|brought)-[\dTZ-]+\.zip$/;
/** Bytes. */
const LARGEST = 1024 * 1024 * 1024;
const KEPT = { [OWN]: 5, [BROUGHT]: 3 };

/** The backups of a data folder, and beside them a second copy of every uploaded file they speak of. */
export class Backups {
  readonly folder: string;
  private readonly pool: string;

  constructor(
    private readonly disk: Disk,
    dataFolder: string,
    readonly tools: BackupTools,
    private readonly now: () => string,
  ) {
    this.folder = join(dataFolder, 'backups');
    this.pool = join(this.folder, 'originals');
  }

  async prepare(): Promise<void> {
    await this.disk.makeFolder(this.pool);
  }

  private async named(kind: keyof typeof KEPT): Promise<string[]> {
    return (await this.disk.list(this.folder)).filter((n) => NAME.test(n) && n.startsWith(kind)).reverse();
  }

  /** Paths of Woodbine's own, newest first. */
  async paths(): Promise<string[]> {
    return (await this.named(OWN)).map((n) => join(this.folder, n));
  }

  /** A path for a name from outside; null where it is none of ours. */
  async path(name: string): Promise<string | null> {
    return NAME.test(name) && (await this.disk.list(this.folder)).includes(name) ? join(this.folder, name) : null;
  }

  async list(): Promise<BackupAnswer[]> {
    const out: BackupAnswer[] = [];
    for (const name of [...(await this.named(BROUGHT)), ...(await this.named(OWN))]) {
      const path = join(this.folder, name);
      const m = await manifestIn(this.disk, path).catch(() => null);
      if (!m) continue;
      const file = await this.disk.open(path, 'read');
      const projects = m.projects.filter((p) => !p.deleted).length;
      out.push({ name, at: m.at, projects, size: await file.size(), own: name.startsWith(OWN) });
      await file.close();
    }
    return out;
  }

  private fresh(kind: keyof typeof KEPT): string {
    return join(this.folder, `${kind}-${this.now().replace(/[:.]/g, '-')}.zip`);
  }

  /** Writes a backup that loads; only then do older ones go. Gives its path. */
  async take(items: AsyncIterable<Item>, seq: number, originals: Originals): Promise<string> {
    const path = this.fresh(OWN);
    let manifest: Manifest;
    try {
      manifest = await this.tools.pack(path, items, { at: this.now(), seq, whole: true }, true);
    } catch (e) {
      await this.disk.remove(path).catch(() => undefined);
      throw e;
    }
    await this.copyOriginals(manifest, originals);
    await this.removeOld(OWN);
    return path;
  }

  /** Keeps a backup that was brought from elsewhere. Throws `BadBackup` where it is none. Gives its name. */
  async bring(content: AsyncIterable<Uint8Array>): Promise<string> {
    const path = this.fresh(BROUGHT);
    await makeWhole(this.disk, path, async (file) => {
      let at = 0;
      for await (const bytes of content) {
        if (at + bytes.length > LARGEST) throw new BadBackup('The backup is larger than 1 GB.');
        await writeAll(file, bytes, at);
        at += bytes.length;
      }
    });
    try {
      await this.tools.check(path);
    } catch (e) {
      await this.disk.remove(path);
      throw e;
    }
    await this.removeOld(BROUGHT);
    return basename(path);
  }

  /** Packs a backup to be taken away, the uploaded files in it; `use` reads it, then it is gone. */
  async taken<T>(items: AsyncIterable<Item>, whole: boolean, use: (bytes: Uint8Array) => T): Promise<T> {
    const path = join(this.folder, `away-${this.now().replace(/[:.]/g, '-')}${PART}`);
    try {
      await this.tools.pack(path, items, { at: this.now(), seq: 0, whole }, false);
      return use((await readWhole(this.disk, path)) ?? new Uint8Array());
    } finally {
      await this.disk.remove(path);
    }
  }

  /** Every uploaded file once more, as its checksum says: a damaged one can then be put back. */
  private async copyOriginals(m: Manifest, originals: Originals): Promise<void> {
    const held = new Set(await this.disk.list(this.pool));
    for (const f of m.files) {
      if (held.has(f.id)) continue;
      const bytes = await originals.get(f.id, f.sum);
      if (bytes) await putWhole(this.disk, join(this.pool, f.id), bytes);
    }
  }

  /** An uploaded file's second copy. */
  async original(id: string, sum: string): Promise<Uint8Array | null> {
    if (!(await this.disk.list(this.pool)).includes(id)) return null;
    const bytes = await readWhole(this.disk, join(this.pool, id));
    return bytes && (!sum || sha256(bytes) === sum) ? bytes : null;
  }

  /** How far back the oldest backup reaches: the journal before it is needed no more. A damaged one needs nothing. */
  async reach(): Promise<number> {
    let least = Number.POSITIVE_INFINITY;
    for (const path of await this.paths())
      try {
        least = Math.min(least, (await manifestIn(this.disk, path)).seq);
      } catch (e) {
        if (!(e instanceof BadBackup)) throw e;
      }
    return Number.isFinite(least) ? least : 0;
  }

  private async removeOld(kind: keyof typeof KEPT): Promise<void> {
    for (const name of (await this.named(kind)).slice(KEPT[kind])) await this.disk.remove(join(this.folder, name));
  }
}
