/** Signals as they are offered: one flat list, found by the words people use, the object's own first. */
import { describe, expect, test } from '@jest/globals';
import type { ObjectId } from '../../schema/placed-schema';
import { newLight } from '../objects/light';
import { headAnchor } from '../objects/placed';
import { leftToSet, offeredKey, offeredSignals } from './offered';
import { newSignal, SIGNAL_KINDS, signalSchema } from './signals';

const PEARL = { ...newLight('obj_pearl' as ObjectId, 'point', 0, headAnchor('chin')), name: 'Pearl' };
const all = offeredSignals(PEARL);
/** As the field seeks. */
const found = (text: string) =>
  all.filter(({ seek }) => text.split(' ').every((w) => seek.toLowerCase().includes(w)));

describe('what is offered', () => {
  test('each once, and valid as it is chosen', () => {
    expect(new Set(all.map((o) => o.key)).size).toBe(all.length);
    for (const { signal, key } of all) {
      expect(signalSchema.safeParse(signal).error).toBeUndefined();
      expect(offeredKey(signal)).toBe(key);
    }
    expect(new Set(all.map((o) => o.signal.kind))).toEqual(new Set(SIGNAL_KINDS));
    // Numbers of its own are offered by its kind, and none where no object is worked on.
    expect(all.filter((o) => o.signal.kind === 'objectNumber').map((o) => o.words)).toContain(
      'strength of the light',
    );
    expect(offeredSignals(null).filter((o) => o.signal.kind === 'objectNumber')).toEqual([]);
  });
  test('that the object is shown comes first, and how often a cue fired near the end', () => {
    expect(all[0]).toMatchObject({
      group: 'Pearl',
      words: 'is shown',
      signal: { kind: 'object', object: PEARL.id, of: 'visible' },
    });
    expect(all.findIndex((o) => o.key === 'times')).toBeGreaterThan(all.length / 2);
  });
  test.each(['shown', 'seen', 'visible', 'hidden', 'on', 'pearl visible'])(
    '%s finds whether it is shown',
    (text) => expect(found(text).map((o) => o.key)).toContain('object visible'),
  );
  test('other words people use', () => {
    expect(found('mouth open').map((o) => o.key)).toContain('expression jawOpen');
    expect(found('kiss').map((o) => o.key)).toEqual(['expression mouthPucker']);
    expect(found('how many').map((o) => o.key)).toEqual(['faces']);
    expect(found('slider').map((o) => o.key)).toEqual(['control']);
  });
  test('what was chosen is not asked again; the rest is', () => {
    expect(Object.keys(leftToSet(newSignal('object', PEARL.id)))).toEqual(['object']);
    expect(Object.keys(leftToSet(newSignal('head', null)))).toEqual(['face']);
    expect(Object.keys(leftToSet(newSignal('control', null)))).toEqual(['control']);
  });
});
