import { describe, expect, test } from '@jest/globals';
import { IconiaError } from '../core/errors';
import { PacedTracker } from './paced-tracker';
import type { PictureMoment, Tracker } from './tracker';

const at = (time: number): PictureMoment => ({ time, fovY: 44 });
const settled = () => new Promise((next) => setTimeout(next, 0));

/** A tracker that answers when the test says so. */
const slow = () => {
  const answers: ((seen: string) => void)[] = [];
  const refusals: ((error: unknown) => void)[] = [];
  let stopped = 0;
  const tracker: Tracker<string> = {
    start: () => Promise.resolve(),
    look: () =>
      new Promise((done, refuse) => {
        answers.push(done);
        refusals.push(refuse);
      }),
    stop: () => void stopped++,
  };
  return { tracker, answers, refusals, stopped: () => stopped };
};
const paced = async (tracker: Tracker<string>) => {
  const seen: [string, number][] = [];
  const errors: string[] = [];
  const one = new PacedTracker(tracker, {
    onSeen: (what, { time }) => seen.push([what, time]),
    onError: (error) => errors.push(error.code),
  });
  await one.start();
  return { one, seen, errors };
};
const picture = () => Promise.resolve({} as ImageBitmap);

describe('a tracker at its own pace', () => {
  test('while it is at one picture the others are let go, and made by nobody', async () => {
    const { tracker, answers } = slow();
    const { one, seen } = await paced(tracker);
    let made = 0;
    const counted = () => (made++, picture());
    expect([1, 2, 3].map((time) => one.offer(counted, at(time)))).toEqual([true, false, false]);
    await settled();
    answers[0]!('first');
    await settled();
    expect(seen).toEqual([['first', 1]]);
    expect(made).toBe(1);
    expect(one.offer(counted, at(4))).toBe(true);
    await settled();
    answers[1]!('fourth');
    await settled();
    expect(seen).toEqual([
      ['first', 1],
      ['fourth', 4],
    ]);
  });
  test('it looks at nothing before it is loaded', () => {
    const { tracker } = slow();
    const one = new PacedTracker(tracker, { onSeen: () => undefined, onError: () => undefined });
    expect(one.offer(picture, at(0))).toBe(false);
  });
  test('one that fails says so once, is ended, and looks at nothing more', async () => {
    const { tracker, refusals, stopped } = slow();
    const { one, seen, errors } = await paced(tracker);
    one.offer(picture, at(1));
    await settled();
    refusals[0]!(new IconiaError('tracker.failed', 'It stopped.'));
    await settled();
    expect(errors).toEqual(['tracker.failed']);
    expect(stopped()).toBe(1);
    expect(one.offer(picture, at(2))).toBe(false);
    expect(seen).toEqual([]);
  });
  test('what comes after it was stopped is not seen, and no fault', async () => {
    const { tracker, answers } = slow();
    const { one, seen, errors } = await paced(tracker);
    one.offer(picture, at(1));
    await settled();
    one.stop();
    answers[0]!('late');
    await settled();
    expect([seen, errors]).toEqual([[], []]);
  });
  test('one that cannot be loaded says so', async () => {
    const { tracker } = slow();
    const { errors } = await paced({
      ...tracker,
      start: () => Promise.reject(new IconiaError('tracker.failed', 'It could not be loaded.')),
    });
    expect(errors).toEqual(['tracker.failed']);
  });
});
