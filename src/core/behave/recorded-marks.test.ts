import { expect, test } from '@jest/globals';
import type { ControlId } from '../document/schema';
import { inOrder, readRecorded, withRecord, type Recorded } from './recorded';
import { countOf, marksOf } from './recorded-marks';

const SLOW = 'ctl_slow' as ControlId;
const set = (time: number, value: number): Recorded => ({
  time,
  input: { kind: 'control', control: SLOW, value },
});
const fingers = (time: number, ...ids: number[]): Recorded => ({
  time,
  input: { kind: 'fingers', fingers: ids.map((id) => ({ id, x: 0.5, y: 0.5 })) },
});
const ALL: readonly Recorded[] = [
  { time: 1, input: { kind: 'tap', x: 0.1, y: 0.2 } },
  fingers(1, 1),
  set(1.1, 0.1),
  set(1.2, 0.2),
  fingers(1.3, 1, 2),
  fingers(2),
  { time: 2, input: { kind: 'event', event: 'photo' } },
  set(4, 0.9),
];

test('what a viewer did is counted as a viewer would: a drag is one, a slider that was dragged is one', () => {
  const marks = marksOf(ALL);
  expect(marks.taps).toEqual([ALL[0]]);
  expect(marks.gestures).toEqual([{ from: 1, to: 2 }]);
  expect(marks.events).toEqual([ALL[6]]);
  expect(marks.settings).toEqual([[ALL[2], ALL[3]], [ALL[7]]]);
  expect(countOf(marks)).toBe(5);
  expect(countOf(marksOf([]))).toBe(0);
});

test('a record comes to its place in time, behind what was done at the same moment', () => {
  const event: Recorded['input'] = { kind: 'event', event: 'cameraFlips' };
  const more = withRecord(ALL, 2, event);
  expect(more).toHaveLength(ALL.length + 1);
  expect(more[7]).toEqual({ time: 2, input: event });
  expect(inOrder([...more].reverse()).map((r) => r.time)).toEqual(more.map((r) => r.time));
});

test('what is kept comes back as it was; what nobody can do is left out, and the rest stays', () => {
  expect(readRecorded(JSON.parse(JSON.stringify(ALL)))).toEqual(ALL);
  expect(readRecorded([])).toEqual([]);
  // A tap that ended beyond the edge is one all the same.
  const edge: Recorded = { time: 0, input: { kind: 'tap', x: 1.004, y: -0.002 } };
  expect(readRecorded([edge])).toEqual([edge]);
  for (const bad of [
    null,
    { time: -1, input: { kind: 'tap', x: 0, y: 0 } },
    { time: 1, input: { kind: 'tap', x: 0, y: 2e9 } },
    { time: 1, input: { kind: 'event', event: 'sneezes' } },
    { time: 1, input: { kind: 'control', control: 'ctl_slow', value: '1' } },
    { time: 1, input: { kind: 'fingers', fingers: [{ id: 1, x: NaN, y: 0 }] } },
  ]) {
    expect(readRecorded([bad])).toBeNull();
    expect(readRecorded([bad, ...ALL])).toEqual(ALL);
  }
  for (const none of [null, 7, {}, 'taps']) expect(readRecorded(none)).toBeNull();
});
