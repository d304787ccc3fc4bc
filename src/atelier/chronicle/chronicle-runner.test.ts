import { expect, test } from '@jest/globals';
import { UNEVENTFUL, type Chronicle } from '../../core/behave/chronicle';
import { blankEffect } from '../../core/document/defaults';
import { newCue } from '../../core/document/new-cues';
import type { CueId } from '../../core/document/schema';
import { FIRST_TAKE } from '../../core/takes/library';
import { FakeLine } from '../../stage/testing';
import type { Answer, Question } from './chronicle-messages';
import { ChronicleRunner } from './chronicle-runner';

type Line = FakeLine<Question, Answer>;
/** Answers the question that was asked last. */
const answers = (line: Line, rate: number): void =>
  line.answers({ number: line.asked.at(-1)!.number, chronicle: { ...UNEVENTFUL, rate } });
const withRunner = () => {
  const [lines, found, problems]: [Line[], Chronicle[], string[]] = [[], [], []];
  const runner = new ChronicleRunner(
    (chronicle) => found.push(chronicle),
    (problem) => problems.push(problem),
    () => {
      lines.push(new FakeLine<Question, Answer>());
      return lines.at(-1)!;
    },
  );
  return { runner, lines, found, problems };
};
const cue = newCue('cue_tap' as CueId, 'screenTapped', 0, []);
const asked = (name: string, eventful = true): Omit<Question, 'number'> => ({
  effect: { ...blankEffect(name), cues: eventful ? { [cue.id]: cue } : {} },
  take: FIRST_TAKE.spec,
  clip: null,
  pictureAspects: [],
  told: {},
});

test('while one is run, of those asked meanwhile only the last is', () => {
  const { runner, lines, found } = withRunner();
  for (const name of ['one', 'two', 'three']) runner.ask(asked(name));
  const [line] = lines as [Line];
  expect(line.asked.map((q) => q.effect.name)).toEqual(['one']);
  answers(line, 1);
  // It was of an effect that had been changed since.
  expect(found).toEqual([]);
  expect(line.asked.map((q) => q.effect.name)).toEqual(['one', 'three']);
  answers(line, 3);
  expect(found.map((c) => c.rate)).toEqual([3]);
});

test('where nothing can happen no worker is asked, and what comes late is not believed', () => {
  const { runner, lines, found } = withRunner();
  runner.ask(asked('quiet', false));
  expect([lines.length, found]).toEqual([0, [UNEVENTFUL]]);
  runner.ask(asked('tapped'));
  runner.ask(asked('tapped again'));
  runner.ask(asked('its cue deleted', false));
  answers(lines[0]!, 7);
  expect(found).toEqual([UNEVENTFUL, UNEVENTFUL]);
  expect(lines[0]!.asked).toHaveLength(1);
  runner.ask(asked('a cue once more'));
  answers(lines[0]!, 9);
  expect(found.at(-1)!.rate).toBe(9);
});

test('asked for a signal, an effect without cues is run', () => {
  const { runner, lines } = withRunner();
  runner.ask({
    ...asked('scope', false),
    told: { signals: [{ kind: 'expression', face: 1, name: 'jawOpen' }] },
  });
  expect(lines).toHaveLength(1);
});

test('a worker that breaks is said, and the next question gets another', () => {
  const { runner, lines, found, problems } = withRunner();
  runner.ask(asked('one'));
  lines[0]!.breaks();
  expect([lines[0]!.ended, problems.length]).toEqual([true, 1]);
  runner.ask(asked('two'));
  answers(lines[1]!, 2);
  expect(found.map((c) => c.rate)).toEqual([2]);
  runner.stop();
  expect(lines[1]!.ended).toBe(true);
});
