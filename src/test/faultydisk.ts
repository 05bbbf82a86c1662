import { type Disk, type DiskFile } from '../server/disk/disk.ts';

/** What may go wrong at a call: it fails, or takes half and then fails; from then on for a while; or the power goes. */
export type Fault = 'fails' | 'short' | 'full' | 'power';

const BLOCK = 512;

/** A file's bytes as the process sees them, and as they would be found after a power cut. */
class Inode {
  now = Buffer.alloc(0);
  flushed = Buffer.alloc(0);

  put(bytes: Uint8Array, at: number): void {
    const next = Buffer.alloc(Math.max(this.now.length, at + bytes.length));
    this.now.copy(next);
    next.set(bytes, at);
    this.now = next;
  }

  /** After a power cut: of what was not flushed any blocks, and any length between the two. */
  cut(chance: () => number): void {
    const length = this.flushed.length + Math.round(chance() * (this.now.length - this.flushed.length));
    const left = Buffer.alloc(length);
    this.flushed.copy(left);
    for (let at = 0; at < length; at += BLOCK)
      if (chance() < 0.5) this.now.copy(left, at, at, Math.min(at + BLOCK, length));
    this.now = left;
    this.flushed = Buffer.from(left);
  }
}

const error = (code: string): Error => Object.assign(new Error(`${code}: as the test wants it`), { code });

/**
 * A disk in memory that fails where it is told to. Files keep what was flushed, and folders the names that were flushed;
 * after a power cut of the rest any part may be there.
 */
export class FaultyDisk implements Disk {
  private names = new Map<string, Inode>();
  private kept = new Map<string, Inode>();
  /** Names changed since their folder was flushed, in order. */
  private pending: (() => void)[] = [];
  private calls = 0;
  private fault: { at: number; kind: Fault; until: number } | null = null;
  off = false;
  /** What each call was, for the reports of a failing test. */
  last = '';

  constructor(private readonly chance: () => number) {}

  /** From the call of this number on (counted from now) the fault happens; `for` so many calls. */
  arm(at: number, kind: Fault, lasting = 1): void {
    this.fault = { at: this.calls + at, kind, until: this.calls + at + lasting };
  }

  disarm(): void {
    this.fault = null;
  }

  get count(): number {
    return this.calls;
  }

  /** The power is back: only what had been flushed is there for certain. */
  restart(power: boolean): void {
    this.off = false;
    this.fault = null;
    if (power) {
      const done = Math.floor(this.chance() * (this.pending.length + 1));
      for (const change of this.pending.slice(0, done)) change();
      this.names = new Map(this.kept);
      for (const inode of new Set(this.names.values())) inode.cut(this.chance);
    } else for (const change of this.pending) change();
    this.pending = [];
    this.kept = new Map(this.names);
  }

  /** All files, to be spoilt by hand. */
  bytes(path: string): Buffer {
    return (this.names.get(path) as Inode).now;
  }
  spoil(path: string, bytes: Uint8Array | null): void {
    if (!bytes) this.names.delete(path);
    else {
      const inode = new Inode();
      [inode.now, inode.flushed] = [Buffer.from(bytes), Buffer.from(bytes)];
      this.names.set(path, inode);
    }
    this.kept = new Map(this.names);
  }
  paths(): string[] {
    return [...this.names.keys()].sort();
  }
  copy(): FaultyDisk {
    const out = new FaultyDisk(this.chance);
    for (const path of this.paths()) out.spoil(path, this.bytes(path));
    return out;
  }

  private call(what: string, half?: () => void): void {
    if (this.off) throw error('EIO');
    const n = this.calls++;
    const f = this.fault;
    if (!f || n < f.at || n >= f.until) return;
    this.last = `${what} (${f.kind})`;
    if (f.kind === 'power') {
      half?.();
      this.off = true;
      throw error('EIO');
    }
    if (f.kind === 'short') half?.();
    throw error(f.kind === 'full' ? 'ENOSPC' : 'EIO');
  }

  private rename_(from: string, to: string, names: Map<string, Inode>): void {
    const inode = names.get(from);
    if (!inode) return;
    names.set(to, inode);
    names.delete(from);
  }

  async open(path: string, how: 'read' | 'write' | 'new'): Promise<DiskFile> {
    this.call(`open ${path}`);
    let inode = this.names.get(path);
    if (!inode && how === 'read') throw error('ENOENT');
    if (!inode || how === 'new') {
      inode = new Inode();
      const made = inode;
      this.names.set(path, made);
      this.pending.push(() => this.kept.set(path, made));
    }
    const file = inode;
    return {
      size: async () => file.now.length,
      read: async (at, length) => {
        this.call(`read ${path}`);
        return Buffer.from(file.now.subarray(at, at + length));
      },
      write: async (bytes, at) => {
        this.call(`write ${path}`, () => file.put(bytes.subarray(0, bytes.length >> 1), at));
        file.put(bytes, at);
        return bytes.length;
      },
      sync: async () => {
        this.call(`sync ${path}`);
        file.flushed = Buffer.from(file.now);
      },
      truncate: async (length) => {
        this.call(`truncate ${path}`);
        file.now = Buffer.from(file.now.subarray(0, length));
      },
      close: async () => undefined,
    };
  }

  async rename(from: string, to: string): Promise<void> {
    this.call(`rename ${from}`);
    this.rename_(from, to, this.names);
    this.pending.push(() => this.rename_(from, to, this.kept));
  }

  async remove(path: string): Promise<void> {
    this.call(`remove ${path}`);
    this.names.delete(path);
    this.pending.push(() => this.kept.delete(path));
  }

  async list(folder: string): Promise<string[]> {
    this.call(`list ${folder}`);
    const own = this.paths().filter((p) => p.startsWith(`${folder}/`));
    return own.map((p) => p.slice(folder.length + 1)).filter((n) => !n.includes('/'));
  }

  async makeFolder(): Promise<void> {
    this.call('makeFolder');
  }

  async syncFolder(folder: string): Promise<void> {
    this.call(`syncFolder ${folder}`);
    // Changes of other folders may be flushed with it: that is allowed, and hides nothing here.
    for (const change of this.pending) change();
    this.pending = [];
  }

  async free(): Promise<number> {
    this.call('free');
    return 1e12;
  }
}
