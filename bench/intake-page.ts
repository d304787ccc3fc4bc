/** Runs in a page of the application: hands files to the worker that opens them, as it ships, and times it. */
import * as Comlink from 'comlink';
import { AS_IT_IS } from '../src/core/assets/models/as-it-is';
import type { Answer, Intake } from '../src/intake/intake-worker';

const opened = <T>(answer: Answer<T>): T => {
  if (answer.ok) return answer.value;
  throw new Error(answer.message);
};

/** A chooser for the files: they come in as a creator's do. */
const input = document.createElement('input');
input.type = 'file';
input.id = 'bench';
document.body.append(input);

const start = (url: string): { worker: Worker; remote: Comlink.Remote<Intake> } => {
  const worker = new Worker(url, { type: 'module' });
  return { worker, remote: Comlink.wrap<Intake>(worker) };
};

const intakeBench = {
  /** Seconds until the chosen file is an asset; `triangles` simplifies it as well, and gives the deviation. */
  run: async (
    url: string,
    triangles: number | null,
  ): Promise<{ seconds: number; drafts: number; triangles: number; deviation: number }> => {
    const { worker, remote } = start(url);
    const began = performance.now();
    const dropped = [...input.files!].map((file) => ({ path: file.name, file }));
    const { jobs, refusals } = await remote.plan(
      dropped,
      Comlink.proxy(() => {}),
    );
    if (jobs.length !== 1) throw new Error(refusals[0]?.message ?? 'No file.');
    const hooks = { progress: () => {} };
    const read = opened(await remote.read(jobs[0]!, Comlink.proxy(hooks)));
    let [last, deviation] = [read.drafts[0]!, 0];
    if (triangles !== null) {
      const prepared = opened(
        await remote.prepare(
          {
            name: last.name,
            facts: last.facts,
            from: last.from,
            originals: last.original ?? last.files,
            prep: { ...AS_IT_IS, triangles },
          },
          Comlink.proxy(() => {}),
        ),
      );
      last = prepared.draft;
      deviation = prepared.deviation!.most;
    }
    const seconds = (performance.now() - began) / 1000;
    worker.terminate();
    return {
      seconds,
      drafts: read.drafts.length,
      triangles: last.facts.kind === 'model' ? last.facts.triangles : 0,
      deviation,
    };
  },
};
export type IntakeBench = typeof intakeBench;
Object.assign(window, { intakeBench });
