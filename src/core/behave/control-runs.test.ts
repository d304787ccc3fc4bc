/** Settings of controls, as the viewer made them. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { ControlId } from '../document/schema';
import { controlRuns } from './control-runs';
import type { RecordedOf } from './recorded';

const set = (control: string, time: number, value = time): RecordedOf<'control'> => ({
  time,
  input: { kind: 'control', control: `ctl_${control}` as ControlId, value },
});

describe('runs of settings', () => {
  test('a drag is one, a setting after a pause another', () => {
    const [a, b, c, d] = [set('slow', 1), set('slow', 1.1), set('slow', 1.2), set('slow', 2)];
    expect(controlRuns([a, b, c, d])).toEqual([[a, b, c], [d]]);
  });
  test('two controls at once are two, in order of their ends', () => {
    const [a, b, c] = [set('slow', 1), set('fast', 1.05), set('slow', 1.1)];
    expect(controlRuns([a, b, c])).toEqual([[b], [a, c]]);
  });
  test('none of nothing', () => expect(controlRuns([])).toEqual([]));
  test('every record is in one run, none in two', () => {
    const records = fc.array(
      fc.record({ name: fc.constantFrom('a', 'b', 'c'), time: fc.double({ min: 0, max: 5, noNaN: true }) }),
    );
    fc.assert(
      fc.property(records, (made) => {
        const all = made.map((m) => set(m.name, m.time)).sort((x, y) => x.time - y.time);
        const runs = controlRuns(all);
        expect(new Set(runs.flat())).toEqual(new Set(all));
        expect(runs.flat()).toHaveLength(all.length);
        for (const run of runs) expect(new Set(run.map((r) => r.input.control)).size).toBe(1);
      }),
    );
  });
});
