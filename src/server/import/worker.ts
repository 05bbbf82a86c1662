import { parentPort } from 'node:worker_threads';
import { type Progress } from '../../core/import/index.ts';
import { type IntakeJob, lookInto, readPieces } from './read.ts';

/** Time between two words on how far it is, ms. */
const PAUSE = 40;

// A thin shell: reading runs here, beside the server, so that a heavy or hostile file never holds it up.
parentPort?.on('message', async (m: { id: number; job: { look: boolean; job: IntakeJob } }) => {
  const { id, job: asked } = m;
  const { look, job } = asked;
  let last = { stage: '', at: 0 };
  const tell = (progress: Progress): void => {
    const now = performance.now();
    if (progress.stage === last.stage && now - last.at < PAUSE) return;
    last = { stage: progress.stage, at: now };
    parentPort?.postMessage({ id, progress });
  };
  try {
    parentPort?.postMessage({ id, answer: await (look ? lookInto(job, tell) : readPieces(job, tell)) });
  } catch (e) {
    parentPort?.postMessage({ id, failed: String((e as Error).message) });
  }
});
