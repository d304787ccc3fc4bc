/** What holds for every kind, whichever it is: a kind that forgets something fails here. */
import { describe, expect, test } from '@jest/globals';
import { firstValues } from '../program/first-values';
import { blankEffect } from '../document/defaults';
import { withValueAt } from '../schema/properties';
import { ASSETS, ID, NEW } from './testing';
import { ACTION_KINDS, actionKind, actionSchema, changedBy, newAction } from './actions/actions';
import { readNumber, numbersOf, writeNumber } from './numbers';
import {
  isPlaceOnly,
  kindOf,
  OBJECT_KINDS,
  objectSchema,
  propertiesOf,
  restingPlace,
} from './objects/objects';
import { FOREHEAD } from './objects/placed';
import type { SignalSource } from './signals/signal-kind';
import {
  newSignal,
  readSignal,
  SIGNAL_KINDS,
  SIGNAL_KINDS_BY_NAME,
  signalKind,
  signalProperties,
  signalSchema,
} from './signals/signals';
import { faceFrame } from '../tracking/track-frame';
import { READY, READY_NAMES } from './triggers/ready-triggers';
import { TRIGGER_KINDS, triggerSchema } from './triggers/triggers';

test('sounds and lights are places only; all else is seen, hides or holds, or catches shadows', () => {
  expect(
    Object.values(NEW)
      .filter(isPlaceOnly)
      .map((o) => o.kind)
      .sort(),
  ).toEqual(['light', 'sound']);
});

describe.each(Object.values(NEW).map((object) => [object.kind, object] as const))(
  'object: %s',
  (kind, object) => {
    test('stands under its own name, and a new one is valid', () => {
      expect(OBJECT_KINDS[kind].kind).toBe(kind);
      expect(objectSchema.safeParse(object).error?.issues ?? []).toEqual([]);
    });
    test('every number is taken at both its ends, and none beyond', () => {
      for (const [path, property] of Object.entries(propertiesOf(object))) {
        if (property.type !== 'number') continue;
        const fits = (to: number): boolean => objectSchema.safeParse(withValueAt(object, path, to)).success;
        expect([path, fits(property.low), fits(property.high)]).toEqual([path, true, true]);
        // Off by what the number can tell from it.
        const off = property.whole ? 1 : property.low > 0 ? Math.min(0.001, property.low) : 0.001;
        expect([path, fits(property.low - off), fits(property.high + off)]).toEqual([path, false, false]);
      }
    });
    test('every number that can be driven is read as it was written', () => {
      const values = firstValues({ ...blankEffect('x'), assets: ASSETS }, object);
      for (const [path, [low, high]] of Object.entries(numbersOf(object))) {
        const wanted = low + 0.5 * (Math.min(high, low + 2) - low);
        writeNumber(object, values, path, wanted);
        const read = readNumber(object, values, path)!;
        expect([path, path === 'visible' ? read >= 0.5 : read]).toEqual([
          path,
          path === 'visible' ? wanted >= 0.5 : expect.closeTo(wanted, 6),
        ]);
      }
    });
    test('it rests somewhere on every anchor, and its box is one', () => {
      for (const anchor of [FOREHEAD, { kind: 'world', surface: 'floor' }, { kind: 'backdrop' }] as const)
        expect(restingPlace(object, anchor, ASSETS).move.every(Number.isFinite)).toBe(true);
      const box = kindOf(object).bounds(object, { assets: ASSETS, objects: {} });
      if (box) expect(box.low.every((x, k) => x <= box.high[k]!)).toBe(true);
    });
  },
);

describe.each(ACTION_KINDS)('action: %s', (kind) => {
  const action = newAction('act_kinds', kind, ID);
  test('stands under its own name, and a new one is valid', () => {
    expect(actionKind(kind).kind).toBe(kind);
    expect(actionSchema.safeParse(action).error?.issues ?? []).toEqual([]);
    expect(action.targets).toEqual(actionKind(kind).actsOn === 'objects' ? [ID] : []);
  });
  test('does something: on its objects, over their pose, or to the effect', () => {
    const { act, once, overlay, bid, actsOn } = actionKind(kind);
    expect([act, once, overlay, bid].some((does) => does !== undefined)).toBe(true);
    expect(bid !== undefined).toBe(actsOn === 'effect');
  });
  test('what it acts on says what is put back; what is only laid over puts nothing back', () => {
    const { act, overlay } = actionKind(kind);
    const changed = changedBy(action, NEW.fountain);
    if (act) expect(changed.length).toBeGreaterThan(0);
    if (overlay) expect(changed).toEqual([]);
  });
});

/** An effect of which nothing is there, before an empty picture. */
const NOTHING_THERE: SignalSource = {
  time: 1.5,
  frame: faceFrame(
    1.5,
    { pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] }, fovY: 50, aspect: 0.56 },
    [],
  ),
  loudness: 0,
  scene: null,
  face: () => undefined,
  values: () => null,
  numberOf: () => NaN,
  matrixOf: () => null,
  onScreen: () => null,
  speedOf: () => 0,
  progress: () => NaN,
  timesFired: () => NaN,
  control: () => NaN,
  variable: () => NaN,
  seesPicture: () => false,
};

describe('triggers', () => {
  test.each(Object.entries(TRIGGER_KINDS))(
    '%s stands under its own name, and a ready one is of it',
    (name, { kind }) => {
      expect(kind).toBe(name);
      expect(READY_NAMES.some((ready) => READY[ready].trigger.kind === kind)).toBe(true);
    },
  );
  test.each(READY_NAMES)('ready: %s is valid', (name) => {
    expect(triggerSchema.safeParse(READY[name].trigger).error?.issues ?? []).toEqual([]);
  });
});

describe.each(SIGNAL_KINDS)('signal: %s', (kind) => {
  const signal = newSignal(kind, ID);
  const is = signalKind(kind);
  test('stands under its own name, a new one is valid, and everything but its chance can be chosen', () => {
    expect(SIGNAL_KINDS_BY_NAME[kind].kind).toBe(kind);
    expect(signalSchema.safeParse(signal).error?.issues ?? []).toEqual([]);
    const { kind: _, ...own } = signal;
    expect(Object.keys(signalProperties(signal)).sort()).toEqual(
      Object.keys(own)
        // A formula is written.
        .filter((field) => field !== 'seed' && kind !== 'formula')
        // Which there are goes by the object; it is offered with it.
        .filter((field) => !(is.parts?.of && field === is.parts.field))
        .sort(),
    );
  });
  test('with nothing there it is no number, or one within its reach', () => {
    const value = readSignal(signal, NOTHING_THERE);
    const [low, high] = is.reach?.(signal, () => null) ?? [-Infinity, Infinity];
    expect(Number.isNaN(value) || (value >= low && value <= high)).toBe(true);
  });
});
test('no two signals are called the same in the menu', () => {
  const names = SIGNAL_KINDS.map((kind) => signalKind(kind).name);
  expect(new Set(names).size).toBe(names.length);
});
