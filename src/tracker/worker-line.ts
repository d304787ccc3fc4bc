/** A line to a tracker's worker: it is started, then asked one thing at a time. */
import { IconiaError } from '../core/errors';

/** What a worker may say beside its answers. */
export type WorkerState = { readonly kind: 'ready' } | { readonly kind: 'failed'; readonly message: string };

export interface WorkerWords {
  /** "The face tracker" */
  readonly name: string;
}

/** A worker that was ended by its browser says nothing: after so long it is taken for gone. The first answer of a slow device takes seconds. */
const PATIENCE = 20_000;

export class WorkerLine<To, Answer extends { readonly kind: string }> {
  private worker: Worker | null = null;
  private starting: { fail: (error: IconiaError) => void } | null = null;
  private waiting: {
    readonly done: (answer: Answer) => void;
    readonly fail: (error: IconiaError) => void;
    readonly timer: ReturnType<typeof setTimeout>;
  } | null = null;

  constructor(
    private readonly script: string,
    private readonly words: WorkerWords,
  ) {}

  /** Loads the worker and says the first thing to it. Throws `IconiaError` `tracker.failed`. */
  start(first: To, transfer: Transferable[] = []): Promise<void> {
    return new Promise((ready, refuse) => {
      const worker = new Worker(this.script);
      this.worker = worker;
      this.starting = { fail: refuse };
      const fail = (text: string): void => {
        this.end(new IconiaError('tracker.failed', text));
      };
      worker.onmessage = ({ data }: MessageEvent<WorkerState | Answer>) => {
        if (data.kind === 'ready') {
          this.starting = null;
          ready();
        } else if (data.kind === 'failed')
          fail(
            `${this.words.name} stopped: ${(data as { message: string }).message}. Reload the page to start it again.`,
          );
        else {
          const { waiting } = this;
          this.waiting = null;
          clearTimeout(waiting?.timer);
          waiting?.done(data as Answer);
        }
      };
      worker.onerror = (event) => {
        event.preventDefault();
        fail(`${this.words.name} could not be loaded. Reload the page to try again.`);
      };
      this.post(first, transfer);
    });
  }

  /** One at a time: wait for the answer before the next. */
  ask(message: To, transfer: Transferable[] = []): Promise<Answer> {
    return new Promise((done, fail) => {
      if (!this.worker) return fail(this.over());
      const timer = setTimeout(
        () =>
          this.end(
            new IconiaError(
              'tracker.failed',
              `${this.words.name} does not answer any more. Reload the page to start it again.`,
            ),
          ),
        PATIENCE,
      );
      this.waiting = { done, fail, timer };
      this.post(message, transfer);
    });
  }

  private post(message: To, transfer: Transferable[] = []): void {
    this.worker?.postMessage(message, transfer);
  }

  private over(): IconiaError {
    return new IconiaError('tracker.stopped', `${this.words.name} was stopped.`);
  }

  /** Nobody is left waiting: who asked is told. */
  private end(error: IconiaError): void {
    this.worker?.terminate();
    this.worker = null;
    const { starting, waiting } = this;
    this.starting = this.waiting = null;
    clearTimeout(waiting?.timer);
    starting?.fail(error);
    waiting?.fail(error);
  }

  /** Ends the worker; what was asked of it is refused with `tracker.stopped`. */
  stop(): void {
    this.end(this.over());
  }
}
