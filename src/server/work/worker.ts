import { parentPort } from 'node:worker_threads';
import { answer } from './answer.ts';
import { type WorkJob } from './ask.ts';
import { type DocumentJob, workOn } from './document.ts';
import { type LayJob, layOutlines } from './lay.ts';

// A thin shell: what a project comes to is worked out here, beside the server, which goes on answering.
parentPort?.on('message', async ({ id, job }: { id: number; job: WorkJob | DocumentJob | LayJob }) => {
  try {
    const made = 'do' in job ? workOn(job) : 'lay' in job ? layOutlines(job) : await answer(job);
    parentPort?.postMessage({ id, answer: made });
  } catch (e) {
    parentPort?.postMessage({ id, failed: (e as Error).stack ?? String(e) });
  }
});
