import { randomBytes } from 'node:crypto';
import { type Server } from 'node:http';
import { type AddressInfo } from 'node:net';
import { networkInterfaces } from 'node:os';
import { serve } from '@hono/node-server';
import { type Hono } from 'hono';

/** Addresses of this machine in its networks, as other machines reach it; IPv4, which is what a link is typed with. */
export const ownAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .flatMap((i) => (i.family === 'IPv4' && !i.internal ? [i.address] : []));

/**
 * A second door, to the home network: shut until it is opened, and shut again at a word. Each time it is opened it has a new key, so
 * that a link from before opens nothing; what came in by it is cut off when it is shut.
 */
export class HomeNetwork {
  private door: { server: Server; key: string } | null = null;
  private turning: Promise<unknown> = Promise.resolve();
  constructor(
    /** What answers there, to who has the key. */
    private readonly appFor: (key: string) => Hono,
    private readonly host = '0.0.0.0',
    private readonly addresses = ownAddresses,
  ) {}

  /** Links that let in, one for each network; none while it is shut. */
  links(): string[] {
    if (!this.door) return [];
    const { port } = this.door.server.address() as AddressInfo;
    return this.addresses().map((a) => `http://${a}:${port}/?key=${this.door?.key}`);
  }

  get open(): boolean {
    return this.door !== null;
  }

  /** Opens or shuts it; one turn after another. Throws where no door can be had. */
  turn(on: boolean): Promise<void> {
    const next = this.turning.catch(() => undefined).then(() => (on ? this.opened() : this.shut()));
    this.turning = next;
    return next;
  }

  private async opened(): Promise<void> {
    if (this.door) return;
    const key = randomBytes(24).toString('base64url');
    const { fetch } = this.appFor(key);
    this.door = await new Promise((done, failed) => {
      const server = serve({ fetch, port: 0, hostname: this.host }, () => done({ server, key })) as Server;
      server.once('error', failed);
    });
  }

  private async shut(): Promise<void> {
    const { door } = this;
    this.door = null;
    if (!door) return;
    await new Promise<void>((done) => {
      door.server.close(() => done());
      door.server.closeAllConnections();
    });
  }
}
