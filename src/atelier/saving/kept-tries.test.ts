/**
 * What is kept in the browser of an effect that is tried.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { beforeEach, expect, test } from '@jest/globals';
import { FIRST_TAKE, SHIPPED_TAKES } from '../../core/takes/library';
import { keepRecorded, keepTake, keptRecorded, keptTake } from './kept-tries';

const OTHER = SHIPPED_TAKES.find((t) => t.id !== FIRST_TAKE.id)!;
const TAPS = [{ time: 1.5, x: 0.25, y: 0.75 }];

beforeEach(() => localStorage.clear());

test('what was recorded belongs to its effect and its take', () => {
  keepRecorded('one', OTHER, 'taps', TAPS);
  keepRecorded('one', OTHER, 'events', [{ time: 2, event: 'photo' }]);
  expect(keptRecorded('one', OTHER)).toEqual({
    taps: TAPS,
    touches: [],
    controls: [],
    events: [{ time: 2, event: 'photo' }],
  });
  expect(keptRecorded('one', FIRST_TAKE).taps).toEqual(FIRST_TAKE.spec.taps);
  expect(keptRecorded('two', OTHER).events).toEqual([]);
});

test('taps that a take carries are there until others are recorded, none included', () => {
  const take = { ...OTHER, spec: { ...OTHER.spec, taps: TAPS } };
  expect(keptRecorded('one', take).taps).toEqual(TAPS);
  keepRecorded('one', take, 'taps', []);
  expect(keptRecorded('one', take).taps).toEqual([]);
});

test.each(['no JSON', '{}', '"taps"', '7', '[null]', '[{"x": 1}]', '[{"time": "soon"}]'])(
  'what cannot be read is nothing: %s',
  (text) => {
    for (const kind of ['taps', 'touches', 'controls', 'events'])
      localStorage.setItem(`iconia.${kind}.one.${OTHER.id}`, text);
    localStorage.setItem('iconia.take.one', text);
    expect(keptRecorded('one', OTHER)).toEqual({
      taps: OTHER.spec.taps,
      touches: [],
      controls: [],
      events: [],
    });
    expect(keptTake('one')).toBe(text === '"taps"' ? 'taps' : null);
  },
);

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
    keepRecorded('one', OTHER, 'taps', TAPS);
    expect(keptTake('one')).toBeNull();
  } finally {
    Object.defineProperty(globalThis, 'localStorage', { value: own, configurable: true });
  }
});
