import { expect, test } from '@jest/globals';
import { beginUrgent, urgently, whenNothingIsUrgent } from './urgent';

/** Whether it has come to its end by now. */
const isDone = async (work: Promise<unknown>): Promise<boolean> => {
  let done = false;
  void work.then(() => (done = true));
  await new Promise((next) => setTimeout(next));
  return done;
};

test('what rests goes on when the last of what is urgent has ended, also by a failure', async () => {
  expect(await isDone(whenNothingIsUrgent())).toBe(true);
  const end = beginUrgent();
  let fail = (): void => {};
  const failing = urgently(() => new Promise((_, reject) => (fail = () => reject(new Error('no')))));
  const resting = whenNothingIsUrgent();
  end();
  end();
  expect(await isDone(resting)).toBe(false);
  fail();
  await expect(failing).rejects.toThrow('no');
  expect(await isDone(resting)).toBe(true);
});
