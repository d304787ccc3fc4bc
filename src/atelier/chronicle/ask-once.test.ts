import { expect, jest, test } from '@jest/globals';
import { UNEVENTFUL } from '../../core/behave/chronicle';
import { blankEffect } from '../../core/document/defaults';
import { FIRST_TAKE } from '../../core/takes/library';
import { FakeLine } from '../../stage/testing';
import { askOnce } from './ask-once';
import type { Answer, Question } from './chronicle-messages';

const question = {
  effect: blankEffect('Once'),
  take: FIRST_TAKE.spec,
  clip: null,
  pictureAspects: [],
  told: {},
};
const asked = (signal = new AbortController().signal, longest = 1000) => {
  const line = new FakeLine<Question, Answer>();
  return { line, answer: askOnce(question, signal, { open: () => line, longest }) };
};

test('gives what came, or the sentence on why not, and ends its worker', async () => {
  const good = asked();
  good.line.answers({ number: 1, chronicle: UNEVENTFUL });
  expect(await good.answer).toBe(UNEVENTFUL);
  const bad = asked();
  bad.line.answers({ number: 1, problem: 'The take is damaged.' });
  await expect(bad.answer).rejects.toThrow('The take is damaged.');
  const broken = asked();
  broken.line.breaks();
  await expect(broken.answer).rejects.toThrow('could not be run');
  for (const { line } of [good, bad, broken]) expect(line.ended).toBe(true);
});

test('what nobody wants any more is stopped at once, and is not begun when that was known before', async () => {
  const abort = new AbortController();
  const { line, answer } = asked(abort.signal);
  abort.abort(new Error('Stopped'));
  await expect(answer).rejects.toThrow('Stopped');
  expect(line.ended).toBe(true);
  await expect(asked(abort.signal).answer).rejects.toThrow('Stopped');
});

test('what never comes to an end is stopped, and said', async () => {
  jest.useFakeTimers();
  try {
    const { line, answer } = asked(undefined, 60_000);
    const failed = expect(answer).rejects.toThrow('within 60 s. Look for a script that never ends');
    jest.advanceTimersByTime(60_001);
    await failed;
    expect(line.ended).toBe(true);
  } finally {
    jest.useRealTimers();
  }
});
