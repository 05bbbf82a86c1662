import { type DiskFile } from '../disk/disk.ts';
import { BEGIN, bodyOf, type Entry, HEAD, headOf } from './record.ts';

/** A stretch of a file that holds no readable record, bytes from and to. */
export interface Damage {
  from: number;
  to: number;
}

export type Found = { entry: Entry; to: number } | { damage: Damage };

const CHUNK = 1024 * 1024;
const BLOCK = 4096;

/** Looks into a file through a window that is moved along, so that no file is ever held whole. */
class Window {
  private base = 0;
  private held: Uint8Array = new Uint8Array(0);
  constructor(
    private readonly file: DiskFile,
    readonly size: number,
  ) {}

  /** Bytes from `at` on; fewer at the end of the file. */
  async at(at: number, length: number): Promise<Uint8Array> {
    if (at < this.base || at + length > this.base + this.held.length) {
      this.base = at;
      this.held = await this.read(at, Math.min(Math.max(length, CHUNK), Math.max(0, this.size - at)));
    }
    return this.held.subarray(at - this.base, at - this.base + length);
  }

  /** Blocks that the disk does not give stand as zeros: what was in them is damaged, the rest is not. */
  private async read(at: number, length: number): Promise<Uint8Array> {
    try {
      return await this.file.read(at, length);
    } catch (e) {
      if ((e as NodeJS.ErrnoException).code !== 'EIO') throw e;
    }
    const out = new Uint8Array(length);
    for (let i = 0; i < length; i += BLOCK) {
      const block = await this.file.read(at + i, Math.min(BLOCK, length - i)).catch(() => null);
      if (block) out.set(block, i);
    }
    return out;
  }

  /** Where the next record may begin, from `at` on; the end of the file where none does. */
  async next(at: number): Promise<number> {
    for (let from = at; from < this.size; ) {
      const bytes = await this.at(from, CHUNK);
      const i = bytes.indexOf(BEGIN);
      if (i >= 0) return from + i;
      if (!bytes.length) break;
      from += bytes.length;
    }
    return this.size;
  }
}

/**
 * Every record of a journal file in order, and between them what cannot be read: after damage it goes on at the next
 * record whose checksum holds. A last record without its end is one if its checksum holds.
 */
export async function* scan(file: DiskFile): AsyncGenerator<Found> {
  const w = new Window(file, await file.size());
  let bad: number | null = null;
  for (let at = 0; at < w.size; ) {
    const head = headOf(await w.at(at, HEAD));
    const json = head && (await w.at(at + head.head, head.length));
    const record = head && json && json.length === head.length ? bodyOf(head.seq, head.sum, json) : null;
    if (!head || !record) {
      bad ??= at;
      at = await w.next(at + 1);
      continue;
    }
    if (bad !== null) yield { damage: { from: bad, to: at } };
    bad = null;
    const end = at + head.head + head.length;
    // "]" and the line's end hold nothing: where they are damaged nothing is lost.
    at = (await w.at(end, 2)).every((b, i) => b === (i ? 0x0a : 0x5d)) ? Math.min(end + 2, w.size) : await w.next(end);
    yield { entry: { seq: head.seq, record }, to: at };
  }
  if (bad !== null) yield { damage: { from: bad, to: w.size } };
}
