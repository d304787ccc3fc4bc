/**
 * What the viewer did, on the strip.
 * @jest-environment ./scripts/jest-page.mjs
 */
import 'fake-indexeddb/auto';
import { afterEach, expect, test } from '@jest/globals';
import { blankEffect } from '../../../core/document/defaults';
import type { ControlId } from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import { usePlaybackStore } from '../../stores/playback';
import { mounted, openEffect, press } from '../testing';
import RecordedMarks from './RecordedMarks.vue';

afterEach(() => useEffectStore().close());
const SLOW = 'ctl_slow' as ControlId;
const open = () => {
  openEffect(blankEffect('Marks'));
  const playback = usePlaybackStore();
  return { playback, marks: mounted(RecordedMarks, { at: (time: number) => 18 + 100 * time }) };
};

test('each kind stands where it was done, and is removed when it is pressed', async () => {
  const { playback, marks } = open();
  playback.seek(1);
  playback.tap(0.5, 0.5);
  playback.touch([{ id: 1, x: 0.5, y: 0.5 }]);
  playback.seek(2);
  playback.touch([]);
  playback.viewerEvent('photo');
  await marks.vm.$nextTick();
  expect(marks.findAll('button').map((b) => b.attributes('title'))).toEqual([
    'Tap at 1.00 s. Drag to move, click to remove',
    'Drag at 1.00 s. Drag to move, click to remove',
    'photo at 2.00 s. Drag to move, click to remove',
  ]);
  expect(marks.find('.gesture').attributes('style')).toMatch(/left: 118px; width: 100px/);
  await press(/^Recorded drag/);
  await press(/^Recorded tap/);
  await press(/^Recorded photo/);
  expect(playback.recorded).toEqual([]);
  expect(marks.findAll('button')).toHaveLength(0);
  marks.unmount();
});

test('noise lasts a second, or to the end of the take; a new one takes the place of what it falls on; it is moved and removed as one', async () => {
  const { playback, marks } = open();
  playback.seek(1);
  playback.makeNoise();
  playback.seek(1.5);
  playback.makeNoise();
  await marks.vm.$nextTick();
  const levels = () =>
    playback.recorded.map(({ time, input }) => [
      Number(time.toFixed(2)),
      input.kind === 'noise' ? input.level : null,
    ]);
  // It was loud already: what is one noise is one mark.
  expect(levels()).toEqual([
    [1, 0.9],
    [1.5, 0.9],
    [2.5, 0],
  ]);
  expect(marks.findAll('button').map((b) => b.attributes('title'))).toEqual([
    'Noise at 1.00 s. Drag to move, click to remove',
  ]);
  expect(marks.find('.noise').attributes('style')).toMatch(/left: 118px; width: 150px/);
  await marks.find('.noise').trigger('keydown', { key: 'ArrowRight' });
  expect(levels().map(([time]) => time)).toEqual([1.1, 1.6, 2.6]);
  await press(/^Recorded noise/);
  expect(playback.recorded).toEqual([]);
  playback.seek(playback.take.duration - 0.2);
  playback.makeNoise();
  expect(levels().at(-1)![0]).toBeLessThan(playback.take.duration);
  marks.unmount();
});

test('a slider that was dragged is one mark, removed with all it was set to on the way', async () => {
  const { playback, marks } = open();
  for (const [time, value] of [
    [1, 0.1],
    [1.1, 0.2],
    [1.2, 0.3],
    [3, 0.9],
  ] as const) {
    playback.seek(time);
    playback.setControl(SLOW, value);
  }
  await marks.vm.$nextTick();
  expect(marks.findAll('button').map((b) => b.attributes('title'))).toEqual([
    'Control set to 0.3 at 1.20 s. Drag to move, click to remove',
    'Control set to 0.9 at 3.00 s. Drag to move, click to remove',
  ]);
  await press(/^Recorded control at 1\.20/);
  expect(playback.recorded.map((r) => r.input)).toEqual([{ kind: 'control', control: SLOW, value: 0.9 }]);
  marks.unmount();
});

test('a mark is dragged along the strip, or moved with the arrow keys; a drag as a whole, and never beyond the ends', async () => {
  const { playback, marks } = open();
  playback.seek(1);
  playback.touch([{ id: 1, x: 0.5, y: 0.5 }]);
  playback.seek(2);
  playback.touch([]);
  playback.seek(4);
  playback.tap(0.5, 0.5);
  await marks.vm.$nextTick();
  const [tap, gesture] = marks.findAll('button');
  for (const { element } of [tap!, gesture!]) Object.assign(element, { setPointerCapture: () => {} });
  const drag = async (mark: typeof tap, to: number): Promise<void> => {
    await mark!.trigger('pointerdown', { clientX: 500, pointerId: 1 });
    await mark!.trigger('pointermove', { clientX: 500 + to, pointerId: 1 });
    await mark!.trigger('pointerup', { clientX: 500 + to, pointerId: 1 });
    await mark!.trigger('click');
  };
  // A hundred pixels are a second.
  await drag(gesture, 150);
  expect(playback.recorded.map((r) => Number(r.time.toFixed(2)))).toEqual([2.5, 3.5, 4]);
  await drag(gesture, -900);
  expect(playback.recorded.map((r) => Number(r.time.toFixed(2)))).toEqual([0, 1, 4]);
  await tap!.trigger('keydown', { key: 'ArrowRight', code: 'ArrowRight' });
  expect(playback.recorded.at(-1)!.time).toBeCloseTo(4.1, 5);
  await drag(tap, 99_000);
  expect(playback.recorded.at(-1)!.time).toBeLessThan(playback.take.duration);
  // A hand that trembles still clicks.
  await drag(tap, 2);
  expect(playback.recorded).toHaveLength(2);
  marks.unmount();
});
