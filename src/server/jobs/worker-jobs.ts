/** Jobs done by one thread beside the server's own. A thread that dies fails what it was at, and the next job starts another. */
import { Worker } from 'node:worker_threads';
import type { Effect, FileMime } from '../../core/document/schema';
import { IconiaError } from '../../core/errors';
import type { BuiltPackage, Jobs } from './jobs';

type Job =
  | { readonly kind: 'check'; readonly path: string; readonly name: string }
  | {
      readonly kind: 'build';
      readonly effect: Effect;
      readonly release: number;
      readonly paths: Readonly<Record<string, string>>;
    };
export interface JobRequest {
  readonly id: number;
  readonly job: Job;
}
export type JobAnswer =
  | { readonly id: number; readonly result: unknown }
  | { readonly id: number; readonly failed: { readonly code: string | null; readonly message: string } };

/** Longer than any file or package may take; then the thread is ended. */
const LONGEST = 120_000;

interface Waiting {
  readonly done: (result: unknown) => void;
  readonly fail: (error: Error) => void;
  readonly timer: NodeJS.Timeout;
}

export class WorkerJobs implements Jobs {
  private worker: Worker | null = null;
  private readonly waiting = new Map<number, Waiting>();
  private last = 0;

  constructor(private readonly script: string) {}

  check(path: string, name: string): Promise<FileMime> {
    return this.ask({ kind: 'check', path, name }) as Promise<FileMime>;
  }
  build(effect: Effect, release: number, paths: Readonly<Record<string, string>>): Promise<BuiltPackage> {
    return this.ask({ kind: 'build', effect, release, paths }) as Promise<BuiltPackage>;
  }

  private ask(job: Job): Promise<unknown> {
    return new Promise((done, fail) => {
      const id = ++this.last;
      const timer = setTimeout(() => void this.stop(), LONGEST);
      timer.unref();
      this.waiting.set(id, { done, fail, timer });
      this.start().postMessage({ id, job } satisfies JobRequest);
    });
  }

  /** Starts the thread: what it needs is loaded before the first job. */
  warm(): void {
    this.start();
  }

  private start(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(this.script);
    this.worker = worker;
    worker.on('message', (answer: JobAnswer) => {
      const waiting = this.waiting.get(answer.id);
      if (!waiting) return;
      this.waiting.delete(answer.id);
      clearTimeout(waiting.timer);
      if ('result' in answer) return waiting.done(answer.result);
      const { code, message } = answer.failed;
      waiting.fail(code ? new IconiaError(code, message) : new Error(message));
    });
    const gone = (cause?: unknown): void => {
      if (this.worker !== worker) return;
      this.worker = null;
      for (const { fail, timer } of this.waiting.values()) {
        clearTimeout(timer);
        fail(new Error('The work on this file did not come to an end. Try again.', { cause }));
      }
      this.waiting.clear();
    };
    worker.on('error', gone);
    worker.on('exit', () => gone());
    worker.unref();
    return worker;
  }

  async stop(): Promise<void> {
    await this.worker?.terminate();
  }
}
