import { parentPort } from 'node:worker_threads';
import { cheapestPurchase } from '../../core/supply/index.ts';
import { JobRefused } from './jobRefused.ts';
import type { JobAnswer, JobRequest } from './jobs.ts';
import { readSheetsFile } from './sheetsFile.ts';
import { readWeatherFile } from './weatherFile.ts';

/** The thread for heavy work: takes one job after the other. */

function work(job: JobRequest): unknown {
  if (job.name === 'weather') return readWeatherFile(...job.args);
  if (job.name === 'purchase') return cheapestPurchase(...job.args);
  return readSheetsFile(...job.args);
}

function answer(job: JobRequest): JobAnswer {
  const { id } = job;
  try {
    return { id, done: work(job) };
  } catch (error) {
    if (error instanceof JobRefused) return { id, refused: { path: error.path, message: error.message } };
    return { id, failed: error instanceof Error ? error.message : String(error) };
  }
}

parentPort?.on('message', (job: JobRequest) => parentPort?.postMessage(answer(job)));
