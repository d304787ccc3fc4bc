/**
 * What is kept in the browser of an effect that is tried.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { beforeEach, expect, test } from '@jest/globals';
import { recordedTaps, type Recorded } from '../../core/behave/recorded';
import { FIRST_TAKE, SHIPPED_TAKES } from '../../core/takes/library';
import { keepRecorded, keepTake, keptRecorded, keptTake } from './kept-tries';

const OTHER = SHIPPED_TAKES.find((t) => t.id !== FIRST_TAKE.id)!;
const TAPS = [{ time: 1.5, x: 0.25, y: 0.75 }];
const PHOTO: Recorded = { time: 2, input: { kind: 'event', event: 'photo' } };
const RECORDED: readonly Recorded[] = [...recordedTaps(TAPS), PHOTO];

beforeEach(() => localStorage.clear());

test('what was recorded belongs to its effect and its take', () => {
  keepRecorded('one', OTHER, RECORDED);
  expect(keptRecorded('one', OTHER)).toEqual(RECORDED);
  expect(keptRecorded('one', FIRST_TAKE)).toEqual(recordedTaps(FIRST_TAKE.spec.taps));
  expect(keptRecorded('two', OTHER)).toEqual(recordedTaps(OTHER.spec.taps));
});

test('taps that a take carries are there until something is recorded, nothing included', () => {
  const take = { ...OTHER, spec: { ...OTHER.spec, taps: TAPS } };
  expect(keptRecorded('one', take)).toEqual(recordedTaps(TAPS));
  keepRecorded('one', take, []);
  expect(keptRecorded('one', take)).toEqual([]);
});

test('every kind comes back, in order of time', () => {
  const all: Recorded[] = [
    { time: 3, input: { kind: 'control', control: 'ctl_slow' as never, value: -2 } },
    { time: 1, input: { kind: 'fingers', fingers: [{ id: 1, x: -0.1, y: 0.5 }] } },
    ...RECORDED,
  ];
  keepRecorded('one', OTHER, all);
  expect(keptRecorded('one', OTHER)).toEqual([all[1], ...RECORDED, all[0]]);
});

test('what was kept kind by kind before is found, until something is recorded', () => {
  localStorage.setItem(`iconia.events.one.${OTHER.id}`, '[{"time":4,"event":"photo"}]');
  localStorage.setItem(`iconia.touches.one.${OTHER.id}`, '[{"time":3,"fingers":[]}]');
  localStorage.setItem('iconia.taps.one', JSON.stringify(TAPS));
  expect(keptRecorded('one', OTHER)).toEqual([
    { time: 3, input: { kind: 'fingers', fingers: [] } },
    { ...PHOTO, time: 4 },
  ]);
  expect(keptRecorded('one', FIRST_TAKE)).toEqual(recordedTaps(TAPS));
  keepRecorded('one', OTHER, [PHOTO]);
  expect(keptRecorded('one', OTHER)).toEqual([PHOTO]);
});

test.each([
  ...['no JSON', '{}', '"taps"', '7', '[null]', '[{"x": 1}]', '[{"time": "soon"}]'],
  '[{"time": 1, "input": {"kind": "tap", "x": "4", "y": 0}}]',
  '[{"time": 1, "input": {"kind": "leap"}}]',
])('what cannot be read is nothing: %s', (text) => {
  for (const kind of ['taps', 'touches', 'controls', 'events', 'recorded'])
    localStorage.setItem(`iconia.${kind}.one.${OTHER.id}`, text);
  localStorage.setItem('iconia.take.one', text);
  expect(keptRecorded('one', OTHER)).toEqual(recordedTaps(OTHER.spec.taps));
  expect(keptTake('one')).toBe(text === '"taps"' ? 'taps' : null);
});

test('the take is the one it was seen on last', () => {
  keepTake('one', OTHER.id);
  expect([keptTake('one'), keptTake('two')]).toEqual([OTHER.id, null]);
});

test('a browser that keeps nothing stops nobody', () => {
  const { localStorage: own } = globalThis;
  const full = {
    getItem: () => null,
    setItem: () => {
      throw new DOMException('full', 'QuotaExceededError');
    },
  };
  Object.defineProperty(globalThis, 'localStorage', { value: full, configurable: true });
  try {
    keepTake('one', OTHER.id);
    keepRecorded('one', OTHER, RECORDED);
    expect(keptTake('one')).toBeNull();
  } finally {
    Object.defineProperty(globalThis, 'localStorage', { value: own, configurable: true });
  }
});
