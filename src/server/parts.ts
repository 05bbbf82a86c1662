import { type MiddlewareHandler } from 'hono';
import { type Opened } from './db/open.ts';
import { type Reader } from './import/run.ts';
import { type Log } from './log.ts';
import { type HomeNetwork } from './network.ts';
import { type Works } from './work/run.ts';

/** What the server is put together of. */
export interface AppParts {
  opened: Opened;
  /** Host names this server answers to. */
  names: string[];
  /** Built interface; left out in tests of the routes alone. */
  webRoot?: string;
  fontFiles: string[];
  reader: Reader;
  works: Works;
  now: () => Date;
  log: Log;
  /** The door to the home network; only where it can be opened and shut: on this machine itself. */
  network?: HomeNetwork;
  /** Lets in who has the key, where one is needed. */
  access?: MiddlewareHandler;
}
