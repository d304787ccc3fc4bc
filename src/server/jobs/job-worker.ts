/** The thread that does the jobs. */
import { parentPort } from 'node:worker_threads';
import { IconiaError, sentence } from '../../core/errors';
import { inlineJobs } from './inline-jobs';
import type { JobAnswer, JobRequest } from './worker-jobs';

parentPort!.on('message', async ({ id, job }: JobRequest) => {
  let answer: JobAnswer;
  try {
    const result =
      job.kind === 'check'
        ? await inlineJobs.check(job.path, job.name)
        : await inlineJobs.build(job.effect, job.release, job.paths);
    answer = { id, result };
  } catch (error) {
    const code = error instanceof IconiaError ? error.code : null;
    answer = { id, failed: { code, message: code ? (error as Error).message : sentence(error) } };
  }
  parentPort!.postMessage(answer);
});
