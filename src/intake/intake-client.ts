/**
 * The page's side of the worker that opens files. Work can be cancelled at any moment and is given up when it
 * takes too long: the worker is ended, and the next work gets a new one.
 */
import * as Comlink from 'comlink';
import { READ_SECONDS, type ReadBounds } from '../core/assets/limits';
import { IconiaError } from '../core/errors';
import type { Seconds } from '../core/units';
import type { Grid } from '../core/document/schema';
import type { AssetDraft, FittedFace, KeptBytes, ModelInside, PreparedDraft, ReadResult } from './drafts';
import type { IntakeHooks } from './hooks';
import type { Answer, Intake, Planned, PlannedJob, SoundSamples } from './intake-worker';
import type { PrepareRequest } from './prepare';
import type { DroppedFile } from './sources';

/** The creator ended it. */
export class Cancelled extends Error {
  constructor() {
    super('Cancelled.');
  }
}

/** Another piece of work was ended, and the worker with it: this one starts again. */
class Interrupted extends Error {}

interface Work {
  readonly signal?: AbortSignal | undefined;
  readonly progress?: ((share: number) => void) | undefined;
  /** It is given up after so long. */
  readonly seconds?: Seconds;
}

const opened = <T>(answer: Answer<T>): T => {
  if (answer.ok) return answer.value;
  throw new IconiaError(answer.code, answer.message);
};

export class IntakeClient {
  private worker: Worker | null = null;
  private remote: Comlink.Remote<Intake> | null = null;
  /** Tells work that is under way that its worker is gone. */
  private readonly interrupt = new Set<() => void>();

  constructor(private readonly most: ReadBounds = READ_SECONDS) {}

  private start(): Comlink.Remote<Intake> {
    if (!this.remote) {
      this.worker = new Worker(new URL('./intake-worker.ts', import.meta.url), {
        type: 'module',
        name: 'intake',
      });
      this.remote = Comlink.wrap<Intake>(this.worker);
    }
    return this.remote;
  }

  /** Ends the worker with whatever it is doing. */
  private stop(): void {
    this.worker?.terminate();
    this.worker = this.remote = null;
    for (const tell of [...this.interrupt]) tell();
  }

  private async run<T>(
    name: string,
    work: Work,
    call: (remote: Comlink.Remote<Intake>) => Promise<T>,
  ): Promise<T> {
    for (;;) {
      try {
        return await this.runOnce(name, work, call);
      } catch (error) {
        if (!(error instanceof Interrupted)) throw error;
      }
    }
  }

  private async runOnce<T>(
    name: string,
    { signal, seconds = this.most.file }: Work,
    call: (remote: Comlink.Remote<Intake>) => Promise<T>,
  ): Promise<T> {
    if (signal?.aborted) throw new Cancelled();
    const remote = this.start();
    const worker = this.worker!;
    let interrupted: () => void = () => {};
    let timer: ReturnType<typeof setTimeout> | undefined;
    let onAbort: (() => void) | undefined;
    let onCrash: ((event: ErrorEvent) => void) | undefined;
    const ended = new Promise<never>((_, reject) => {
      timer = setTimeout(
        () =>
          reject(
            new IconiaError(
              'intake.too-long',
              `${name} took longer than ${seconds} seconds to read and was given up. Make it smaller or simpler, and try again.`,
            ),
          ),
        seconds * 1000,
      );
      onAbort = () => reject(new Cancelled());
      signal?.addEventListener('abort', onAbort);
      interrupted = () => reject(new Interrupted());
      this.interrupt.add(interrupted);
      onCrash = (event) => {
        event.preventDefault();
        reject(
          new IconiaError(
            'intake.failed',
            `${name} could not be read: ${event.message || 'the reader stopped'}. Reload the page and try again.`,
          ),
        );
      };
      worker.addEventListener('error', onCrash);
    });
    try {
      return await Promise.race([call(remote), ended]);
    } catch (error) {
      // Whatever it was, the worker may still be at it.
      if (error instanceof Cancelled || (error instanceof IconiaError && error.code.startsWith('intake.')))
        this.stop();
      throw error;
    } finally {
      this.interrupt.delete(interrupted);
      clearTimeout(timer);
      if (onAbort) signal?.removeEventListener('abort', onAbort);
      if (onCrash) worker.removeEventListener('error', onCrash);
    }
  }

  plan(dropped: readonly DroppedFile[], work: Work = {}): Promise<Planned> {
    const name = dropped.length === 1 ? dropped[0]!.path : 'What you dropped';
    return this.run(name, work, async (remote) =>
      remote.plan(dropped as DroppedFile[], Comlink.proxy(work.progress ?? (() => {}))),
    );
  }

  async read(job: PlannedJob, work: Work = {}): Promise<ReadResult> {
    const hooks: IntakeHooks = { progress: work.progress ?? (() => {}) };
    return opened(
      await this.run(
        job.name,
        { ...work, seconds: job.kind === 'drawing' ? this.most.drawing : this.most.file },
        async (remote) => remote.read(job, Comlink.proxy(hooks)),
      ),
    );
  }

  async cut(file: KeptBytes, name: string, grid: Grid, frames: number, work: Work = {}): Promise<AssetDraft> {
    return opened(
      await this.run(name, work, async (remote) =>
        remote.cut(file, name, grid, frames, Comlink.proxy(work.progress ?? (() => {}))),
      ),
    );
  }

  async prepare(request: PrepareRequest, work: Work = {}): Promise<PreparedDraft> {
    return opened(
      await this.run(request.name, work, async (remote) =>
        remote.prepare(request, Comlink.proxy(work.progress ?? (() => {}))),
      ),
    );
  }

  /** Lays a sculpted mesh onto the face. */
  async fitFace(file: KeptBytes, name: string, work: Work = {}): Promise<FittedFace> {
    return opened(await this.run(name, work, async (remote) => remote.fitFace(file, name)));
  }

  async inside(original: KeptBytes, name: string, work: Work = {}): Promise<ModelInside> {
    return opened(await this.run(name, work, async (remote) => remote.inside(original, name)));
  }

  async samples(file: KeptBytes, name: string, work: Work = {}): Promise<SoundSamples> {
    return opened(await this.run(name, work, async (remote) => remote.samples(file, name)));
  }
}
