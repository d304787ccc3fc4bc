/** A tracker's own worker in a page of the application: pictures in, what it sees in them out. */
import type { Page } from '@playwright/test';

interface Answer {
  readonly kind: string;
  readonly message?: string;
}
interface Held {
  trackerWorker: Worker;
}

/** Starts a worker; `first` is what it is told at first. */
export const startWorker = (
  page: Page,
  script: string,
  first: Readonly<Record<string, unknown>>,
): Promise<void> =>
  page.evaluate(
    ([script, first]) =>
      new Promise<void>((ready, refuse) => {
        const worker = new Worker(script);
        Object.assign(window, { trackerWorker: worker });
        worker.onmessage = ({ data }: MessageEvent<Answer>) =>
          data.kind === 'ready' ? ready() : refuse(new Error(data.message));
        worker.postMessage(first);
      }),
    [script, first] as const,
  );

export interface Seen<T> {
  readonly seen: T;
  /** Of the last look, from the picture to the answer. */
  readonly milliseconds: number;
}

/**
 * What the worker sees in a picture (a data address) after it was shown it `looks` times; a tracker that smooths over time settles.
 * Arrays of numbers come back as plain arrays.
 */
export const lookAt = async <T>(page: Page, url: string, fovY: number, looks: number): Promise<Seen<T>> =>
  page.evaluate(
    async ([url, fovY, looks]) => {
      const { trackerWorker } = window as unknown as Held;
      const bytes = Uint8Array.from(atob(url.slice(url.indexOf(',') + 1)), (c) => c.charCodeAt(0));
      let seen: unknown = null;
      let milliseconds = 0;
      for (let n = 0; n < looks; n++) {
        const image = await createImageBitmap(new Blob([bytes], { type: 'image/jpeg' }));
        const began = performance.now();
        seen = await new Promise((done, fail) => {
          trackerWorker.onmessage = ({ data }: MessageEvent<Answer>) =>
            data.kind === 'failed' ? fail(new Error(data.message)) : done(data);
          trackerWorker.postMessage({ kind: 'frame', image, fovY }, [image]);
        });
        milliseconds = performance.now() - began;
      }
      const plain = (_key: string, value: unknown): unknown =>
        value instanceof Float32Array || value instanceof Uint8Array ? [...value] : value;
      return { seen: JSON.parse(JSON.stringify(seen, plain)) as never, milliseconds };
    },
    [url, fovY, looks] as const,
  );
