/** Has an effect run ahead once, in a worker of its own: for rehearsals, which wait for the answer. */
import type { Chronicle } from '../../core/behave/chronicle';
import { IconiaError } from '../../core/errors';
import type { Milliseconds } from '../../core/units';
import type { Question } from './chronicle-messages';
import { browserLine, type ChronicleLine } from './chronicle-runner';

/** A script that never ends is stopped at each step, so a take of thousands of steps can still take for ever. */
const LONGEST: Milliseconds = 120_000;

/** Fails with a sentence when it breaks or does not come to an end, and with the signal's reason when nobody wants it any more. */
export const askOnce = (
  question: Omit<Question, 'number'>,
  signal: AbortSignal,
  { open = browserLine, longest = LONGEST }: { open?: () => ChronicleLine; longest?: Milliseconds } = {},
): Promise<Chronicle> =>
  new Promise((done, fail) => {
    signal.throwIfAborted();
    const line = open();
    const end = (): void => {
      clearTimeout(timer);
      signal.removeEventListener('abort', stop);
      line.terminate();
    };
    const failWith = (error: unknown): void => {
      end();
      fail(error as Error);
    };
    const stop = (): void => failWith(signal.reason);
    const timer = setTimeout(
      () =>
        failWith(
          new IconiaError(
            'rehearsal.endless',
            `The effect did not come to the end of the take within ${longest / 1000} s. Look for a script that never ends, or cues that set each other off.`,
          ),
        ),
      longest,
    );
    signal.addEventListener('abort', stop);
    line.onmessage = ({ data }) => {
      end();
      if ('chronicle' in data) done(data.chronicle);
      else fail(new IconiaError('rehearsal.broken', data.problem));
    };
    line.onerror = () =>
      failWith(new IconiaError('rehearsal.broken', 'The effect could not be run. Try again.'));
    line.postMessage({ ...question, number: 1 });
  });
