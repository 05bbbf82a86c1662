import { parentPort } from 'node:worker_threads';
import { type IntakeJob, lookInto, readPieces } from './read.ts';

// A thin shell: reading runs here, beside the server, so that a heavy or hostile file never holds it up.
parentPort?.on('message', async ({ id, look, job }: { id: number; look: boolean; job: IntakeJob }) => {
  try {
    parentPort?.postMessage({ id, answer: await (look ? lookInto(job) : readPieces(job)) });
  } catch (e) {
    parentPort?.postMessage({ id, failed: String((e as Error).message) });
  }
});
