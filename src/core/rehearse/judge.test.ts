import { describe, expect, test } from '@jest/globals';
import type { Raster } from '../assets/raster';
import { chronicleOf } from '../behave/chronicle';
import { beatsOf, card, CARD, CUE } from '../behave/testing';
import type { Recorded } from '../behave/recorded';
import { blankEffect } from '../document/defaults';
import { newCue } from '../document/new-cues';
import {
  APPROVED,
  EXPECTATION_KINDS,
  rehearsalSchema,
  type Effect,
  type Expectation,
  type ObjectId,
  type PhoneClass,
} from '../document/schema';
import { newText } from '../kinds/objects/text';
import { FIRST_TAKE } from '../takes/library';
import { approvedPicture, pictureOf } from './approved';
import { judge, signalsOf, type Rehearsed } from './judge';
import { newExpectation } from './new-expectation';
import type { Sight, Size, Whereabouts } from './sight';
import { expectationsFrom } from './what-happened';

const TEXT = 'obj_words' as ObjectId;
const effect: Effect = {
  ...blankEffect('Lamp'),
  objects: { [CARD]: card(), [TEXT]: newText(TEXT, 'Low tide', 1) },
  cues: { [CUE]: { ...newCue(CUE, 'screenTapped', 0, beatsOf([[{ kind: 'hide' }]])), name: 'Lamp off' } },
};
const recorded: Recorded[] = [{ time: 2, input: { kind: 'tap', x: 0.5, y: 0.5 } }];

const filled = ({ width, height }: Size, rgb: readonly [number, number, number]): Raster => {
  const data = new Uint8ClampedArray(4 * width * height);
  for (let i = 0; i < width * height; i++) data.set([...rgb, 255], 4 * i);
  return { width, height, data };
};
const square = (raster: Raster, side: number, rgb: readonly [number, number, number]): Raster => {
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) raster.data.set([...rgb, 255], 4 * (y * raster.width + x));
  return raster;
};
const GREY = [90, 90, 90] as const;
/** Grey pictures with a white square in the corner from `from` to `to`. */
const seeing = (from: number, to: number, where: Whereabouts = 'there'): Sight => ({
  picture: async (time, size) =>
    time >= from && time < to ? square(filled(size, GREY), 20, [255, 255, 255]) : filled(size, GREY),
  without: async (_time, _object, size) => filled(size, GREY),
  whereabouts: async () => where,
});
const rehearsed = (
  sight: Sight,
  expectations: readonly Expectation[] = [],
  of: Effect = effect,
): Rehearsed => ({
  effect: of,
  take: FIRST_TAKE.id,
  duration: FIRST_TAKE.duration,
  signals: signalsOf(expectations),
  chronicle: chronicleOf(of, FIRST_TAKE, { recorded, signals: signalsOf(expectations) }),
  sight,
  names: {
    object: () => 'Kelp',
    cue: () => 'Lamp off',
    condition: () => 'mouth is open by more than 30 %',
    value: (_, v) => v.toFixed(2),
    part: ({ of }) => (of === 'object' ? 'Kelp' : of),
  },
});
const judged = (expected: Expectation, sight = seeing(0, 99), of = effect) =>
  judge(expected, rehearsed(sight, [expected], of));
const base = { id: 'exp_one' };

describe('seen', () => {
  const seen = { ...base, kind: 'seen', object: CARD, isSeen: true, from: 1, to: 2 } as const;
  test('all the while, or the first moment that it is not is told', async () => {
    expect(await judged(seen)).toMatchObject({ passed: true, sentence: 'Kelp is seen from 1 s to 2 s.' });
    const gone = await judged(seen, seeing(0, 1.4));
    expect(gone).toMatchObject({ passed: false, at: 1.5 });
    expect(gone.sentence).toContain('something covers it');
  });
  test('why it is not seen', async () => {
    expect((await judged(seen, seeing(0, 0, 'hidden'))).sentence).toContain('it is hidden then');
    expect((await judged(seen, seeing(0, 0, 'nowhere'))).sentence).toContain('not in the picture');
  });
  test('not expected, and seen', async () => {
    const not = { ...seen, isSeen: false };
    expect(await judged(not, seeing(3, 4))).toMatchObject({ passed: true });
    expect(await judged(not, seeing(1.6, 4))).toMatchObject({ passed: false, at: 1.75 });
  });
});

describe('fired', () => {
  const fired = { ...base, kind: 'fired', cue: CUE, hasFired: true, from: 1.8, to: 2.2 } as const;
  test('within its stretch, elsewhere, or not at all', async () => {
    expect(await judged(fired)).toMatchObject({ passed: true, sentence: '“Lamp off” fires at 2 s.' });
    const later = await judged({ ...fired, from: 4, to: 5 });
    expect(later).toMatchObject({ passed: false, at: 2 });
    expect(later.sentence).toContain('fires at 2 s instead');
    const off = { ...effect, cues: { [CUE]: { ...effect.cues[CUE]!, enabled: false } } };
    expect((await judged(fired, seeing(0, 99), off)).sentence).toContain('does not fire at all');
  });
  test('that it does not is expected too', async () => {
    expect(await judged({ ...fired, hasFired: false })).toMatchObject({ passed: false, at: 2 });
    expect(await judged({ ...fired, hasFired: false, from: 3, to: 5 })).toMatchObject({ passed: true });
  });
});

test('a signal is as much as is wanted at a moment, or is told with what it was', async () => {
  const signal = {
    ...base,
    kind: 'signal',
    condition: {
      signal: { kind: 'expression', face: 1, name: 'jawOpen' },
      is: 'above',
      value: -1,
    },
    at: 1,
  } as const satisfies Expectation;
  expect(await judged(signal)).toMatchObject({ passed: true, at: 1 });
  const over = await judged({ ...signal, condition: { ...signal.condition, value: 2 } });
  expect(over).toMatchObject({ passed: false });
  expect(over.sentence).toMatch(/^At 1 s it is 0\.\d\d\. Expected: mouth/);
  const nobody = { ...signal.condition, signal: { ...signal.condition.signal, face: 4 as const } };
  expect((await judged({ ...signal, condition: nobody })).sentence).toContain('nothing to measure');
});

describe('looks', () => {
  const looks = (png: Partial<{ width: number; png: string; take: string }> = {}): Expectation => ({
    ...base,
    kind: 'looks',
    at: 1,
    tolerance: 0.02,
    pictures: [{ ...approvedPicture(FIRST_TAKE.id, filled(APPROVED, GREY)), ...png }],
  });
  test('as approved within the tolerance, with what differs where it is more', async () => {
    expect(await judged(looks(), seeing(5, 6))).toMatchObject({ passed: true });
    const other = await judged(looks());
    expect(other.passed).toBe(false);
    expect(other.sentence).toContain('2.8 % of the picture differs, 2.0 % may');
    // Magenta where it differs, grey elsewhere.
    const { data, width } = other.difference!;
    expect([...data.slice(0, 3)]).toEqual([224, 32, 140]);
    expect([...data.slice(4 * (width * 30), 4 * (width * 30) + 3)]).toEqual([90, 90, 90]);
  });
  test('approved on another take, at another size, or damaged: each is said, and what came can be approved', async () => {
    for (const [change, words] of [
      [{ take: 'other' }, 'Nothing is approved at 1 s of this take yet'],
      [{ width: 45 }, 'was approved at 45 x 160 pixels'],
      [{ png: 'iVBORw0KGgo=' }, 'damaged'],
      [{ png: '%%%' }, 'damaged'],
    ] as const) {
      const { passed, sentence, came } = await judged(looks(change));
      expect([passed, sentence]).toEqual([false, expect.stringContaining(words)]);
      expect(came).toMatchObject(APPROVED);
    }
  });
  test('an approved picture is the same when it is read again', () => {
    const picture = square(filled(APPROVED, GREY), 30, [3, 250, 7]);
    expect(pictureOf(approvedPicture('take', picture))!.data).toEqual(Uint8Array.from(picture.data));
  });
});

test('flashing above three a second is found with its second; the same slower is not', async () => {
  const blinking = (hertz: number): Sight => ({
    ...seeing(0, 0),
    picture: async (time, size) =>
      filled(size, time > 3 && time < 5 && Math.floor(time * hertz * 2) % 2 ? [255, 255, 255] : [0, 0, 0]),
  });
  const fast = await judged({ ...base, kind: 'noFlash' }, blinking(5));
  expect(fast).toMatchObject({ passed: false });
  expect(fast.at).toBeGreaterThan(2.9);
  expect(fast.at).toBeLessThan(4);
  expect(fast.sentence).toContain('flashes 5 times');
  expect(await judged({ ...base, kind: 'noFlash' }, blinking(2))).toMatchObject({ passed: true });
});

describe('a text', () => {
  const reads = { ...base, kind: 'reads', object: TEXT, at: 1 } as const;
  /** Bars like letters, three pixels wide and so many high. */
  const written = (level: number, high: number): Sight => ({
    ...seeing(0, 0),
    picture: async (_time, size) => {
      const raster = filled(size, [40, 40, 40]);
      for (let y = 0; y < high; y++)
        for (let x = 0; x < 120; x++)
          if (x % 8 < 3) raster.data.set([level, level, level, 255], 4 * ((y + 50) * size.width + x + 50));
      return raster;
    },
    without: async (_time, _object, size) => filled(size, [40, 40, 40]),
  });
  test('can be read, is too faint, or too small', async () => {
    expect(await judged(reads, written(230, 30))).toMatchObject({ passed: true });
    const faint = await judged(reads, written(80, 30));
    expect([faint.passed, faint.sentence]).toEqual([false, expect.stringContaining('hard to read')]);
    const small = await judged(reads, written(230, 8));
    expect([small.passed, small.sentence]).toEqual([false, expect.stringContaining('too small')]);
    expect((await judged(reads, seeing(0, 0))).sentence).toContain('is not seen');
  });
});

test('what is gone, never reached or turned round is said for every kind that can be', async () => {
  const at = (kind: Expectation['kind'], change: object = {}): Expectation =>
    ({ ...newExpectation('exp_x', kind, 1, effect, null), ...change }) as Expectation;
  for (const change of [{ object: null }, { object: 'obj_gone' as ObjectId }]) {
    expect((await judged(at('seen', change))).sentence).toContain('is gone');
    expect((await judged(at('reads', change))).sentence).toContain('is gone');
  }
  expect((await judged(at('fired', { cue: null }))).sentence).toContain('is gone');
  expect((await judged(at('reads', { object: CARD }))).sentence).toContain('is no text');
  for (const kind of EXPECTATION_KINDS.filter((k) => k !== 'noFlash' && k !== 'quick')) {
    const { passed, sentence } = await judged(
      at(kind, { at: 400, from: 400, to: 401, ...(kind === 'reads' ? { object: TEXT } : {}) }),
    );
    expect([kind, passed, sentence]).toEqual([kind, false, expect.stringContaining('never reached')]);
  }
  for (const kind of ['seen', 'fired'] as const)
    expect((await judged(at(kind, { from: 3, to: 2 }))).sentence).toContain('Turn them round');
});

test('quick enough by estimate: the slower the phone the longer it takes; what costs most is named', async () => {
  const quick = (most: number, on: PhoneClass) => judged({ ...base, kind: 'quick', most, on });
  const timeIn = (sentence: string): number => Number(/takes ([0-9.]+) ms/.exec(sentence)![1]);
  const fine = await quick(1000, 'usual');
  expect(fine).toMatchObject({ passed: true, sentence: expect.stringContaining('on a usual phone') });
  const usual = timeIn(fine.sentence);
  const slow = await quick(1, 'weak');
  expect(slow.passed).toBe(false);
  expect(timeIn(slow.sentence)).toBeGreaterThan(1.5 * usual);
  expect(slow.sentence).toMatch(/ costs most: [0-9.]+ ms[.] Try, Devices/);
  // The bar between the two is the estimate itself.
  expect((await quick(Math.max(1, usual + 0.1), 'usual')).passed).toBe(true);
});

test('what happened becomes expectations that hold', async () => {
  let n = 0;
  const made = expectationsFrom(
    effect,
    chronicleOf(effect, FIRST_TAKE, { recorded }),
    FIRST_TAKE.duration,
    () => `exp_${n++}`,
  );
  expect(made.map((e) => e.kind)).toEqual(['fired', 'seen', 'looks']);
  expect(made[1]).toMatchObject({ object: CARD, isSeen: false });
  for (const expected of made.slice(0, 2))
    expect(await judged(expected, seeing(0, 2))).toMatchObject({ passed: true });
  // Nothing done: that nothing fires.
  const still = expectationsFrom(effect, chronicleOf(effect, FIRST_TAKE), FIRST_TAKE.duration, () => 'exp_a');
  expect(still[0]).toMatchObject({ kind: 'fired', hasFired: false });
});

test('every kind that can be added is what a document holds', () => {
  const expectations = EXPECTATION_KINDS.map((kind) =>
    newExpectation(`exp_${kind}`, kind, 1.234, effect, CARD),
  );
  const rehearsal = {
    id: 'reh_once',
    name: 'Once',
    order: 0,
    performance: null,
    takes: ['neutral'],
    expectations,
  };
  expect(rehearsalSchema.safeParse(rehearsal).error?.issues ?? []).toEqual([]);
});
