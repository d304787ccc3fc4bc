import { expect, test } from '@jest/globals';
import { performerOf } from '../../core/takes/library/performers';
import type { Performer } from '../../core/takes/performer';
import { madeOfPeople } from './made-once';
import { FakeLine } from '../testing';
import { PeopleMaker } from './people-maker';
import type { PeopleAnswer } from './people-worker';

const [marin, wren] = [performerOf('marin'), performerOf('wren')];

type Line = FakeLine<Performer, PeopleAnswer>;
const answers = (line: Line, key: string): void =>
  line.answers({ parts: [[key, { pixels: new Uint8ClampedArray(4), width: 1, height: 1 }]] });
const withLines = () => {
  const lines: Line[] = [];
  const maker = new PeopleMaker(() => {
    const line = new FakeLine<Performer, PeopleAnswer>();
    lines.push(line);
    return line;
  });
  return { maker, lines };
};
/** What is to be made when it is asked for is not there yet. */
const isKept = (key: string): boolean => {
  let kept = true;
  madeOfPeople.get(key, () => {
    kept = false;
    return { pixels: new Uint8ClampedArray(4), width: 1, height: 1 };
  });
  return kept;
};

test('one after the other, each once; their parts are kept, and the worker goes home', async () => {
  const { maker, lines } = withLines();
  const both = maker.make([marin, wren]);
  const again = maker.make([marin]);
  expect(maker.areMade([marin])).toBe(false);
  const [line] = lines as [Line];
  expect(line.asked).toEqual([marin]);
  answers(line, 'part of marin');
  await again;
  expect([maker.areMade([marin]), maker.areMade([marin, wren])]).toEqual([true, false]);
  expect(line.asked).toEqual([marin, wren]);
  expect(line.ended).toBe(false);
  answers(line, 'part of wren');
  await both;
  expect(maker.areMade([marin, wren])).toBe(true);
  expect(line.ended).toBe(true);
  expect([isKept('part of marin'), isKept('part of wren'), isKept('of nobody')]).toEqual([true, true, false]);
  // Nobody is made twice.
  await maker.make([marin, wren]);
  expect(lines).toHaveLength(1);
});

test('the same id with another face is somebody else', async () => {
  const { maker, lines } = withLines();
  const done = maker.make([marin]);
  answers(lines[0]!, 'marin');
  await done;
  expect(maker.areMade([{ ...marin, freckles: 0.5 }])).toBe(false);
});

test('where the worker breaks or there is none, people are drawn all the same', async () => {
  const { maker, lines } = withLines();
  const both = maker.make([marin, wren]);
  lines[0]!.breaks();
  expect(lines[0]!.ended).toBe(true);
  // The next one gets a worker of their own.
  answers(lines[1]!, 'wren');
  await both;
  expect(maker.areMade([marin, wren])).toBe(true);
  const none = new PeopleMaker(() => {
    throw new Error('no workers here');
  });
  await none.make([marin, wren]);
  expect(none.areMade([marin, wren])).toBe(true);
});
