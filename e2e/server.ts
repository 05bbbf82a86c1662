import { type ChildProcess, spawn } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => done(port));
    });
  });

/** Where a folder with the demo projects lies, made once before all tests. */
export const TEMPLATE = 'WOODBINE_E2E_TEMPLATE';

/** A real Woodbine on a data folder of its own, that can be killed and started again. */
export class Running {
  private child: ChildProcess | null = null;
  readonly folder = mkdtempSync(join(tmpdir(), 'woodbine-e2e-'));
  port = 0;

  /** `more`: settings beside the usual ones. */
  constructor(private readonly more: Record<string, string> = {}) {}

  /** The process number while it runs. */
  get pid(): number {
    return this.child?.pid ?? 0;
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** The first start with the demo projects lays a copy of the template into the folder; later ones find what is there. */
  async start(demo: boolean): Promise<void> {
    const template = process.env[TEMPLATE];
    if (template && demo && !this.port) cpSync(template, this.folder, { recursive: true });
    this.port ||= await freePort();
    const env = {
      ...process.env,
      PORT: String(this.port),
      WOODBINE_DATA: this.folder,
      WOODBINE_DEMO: demo ? '1' : '0',
      ...this.more,
    };
    // The database is compiled plainly: to compile it well takes a second of every start, more than these few questions win by it.
    const child = spawn(process.execPath, ['--liftoff-only', 'dist/server/main.js'], {
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.child = child;
    await new Promise<void>((done, fail) => {
      child.stdout.on('data', (d: Buffer) => String(d).includes('Woodbine is at') && done());
      child.on('close', (code) => fail(new Error(`the server ended with ${code}`)));
    });
  }

  /** As a power button would: no signal it could handle. */
  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null) return;
    await new Promise((done) => {
      child.once('close', done);
      child.kill(signal);
    });
  }

  /** Ends for good, what it keeps with it: nothing is written any more that would only be thrown away. */
  async end(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}
