/** Server-sent events: a response that stays open and is written to. */
import type { Response } from 'express';

/** One that is not read falls behind; so many bytes wait for it, then it is closed, and comes back by itself. */
const MOST_WAITING = 16 * 1024 * 1024;
/** Milliseconds between two signs of life: proxies close what is silent. */
const ALIVE_EVERY = 15_000;
/** Milliseconds after which a browser asks anew. */
const RETRY = 1000;

export interface EventStream {
  send(event: unknown): void;
  /** Ends it from here; `onEnd` is told as well. */
  end(): void;
}

/** Opens one. `onEnd` is called once, whoever ends it. */
export const openEventStream = (response: Response, onEnd: () => void): EventStream => {
  response.status(200).set({
    'Content-Type': 'text/event-stream',
    // Packed, it would be held back.
    'Cache-Control': 'no-store, no-transform',
    // The same is asked of proxies.
    'X-Accel-Buffering': 'no',
  });
  response.flushHeaders();
  response.write(`retry: ${RETRY}\n\n`);
  const alive = setInterval(() => response.write(':\n\n'), ALIVE_EVERY);
  alive.unref();
  let isOver = false;
  response.once('close', () => {
    isOver = true;
    clearInterval(alive);
    onEnd();
  });
  return {
    send: (event) => {
      if (isOver) return;
      if (response.writableLength > MOST_WAITING) return void response.destroy();
      response.write(`data: ${JSON.stringify(event)}\n\n`);
    },
    end: () => void response.end(),
  };
};
