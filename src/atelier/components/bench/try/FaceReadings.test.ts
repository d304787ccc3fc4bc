/**
 * What the face does now is shown in bars; what both sides do together is one.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, expect, test } from '@jest/globals';
import { nextTick } from 'vue';
import { blankEffect } from '../../../../core/document/defaults';
import { SHIPPED_TAKES } from '../../../../core/takes/library';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import { mounted, openEffect } from '../../testing';
import FaceReadings from './FaceReadings.vue';

afterEach(() => useEffectStore().close());

test('bars follow the take: brows go up and down, a mouth frowns', async () => {
  openEffect(blankEffect('Readings'));
  const playback = usePlaybackStore();
  const shown = mounted(FaceReadings);
  const meters = () => shown.findAll('[role="meter"]').map((m) => m.attributes('aria-label'));
  expect(meters()).toEqual(expect.arrayContaining(['Mouth open', 'Frown, mouth', 'Brows up', 'Brows down']));
  playback.chooseTake(SHIPPED_TAKES.find(({ id }) => id === 'brows')!);
  const of = (name: string): number =>
    Number(shown.find(`[aria-label="${name}"]`).attributes('aria-valuenow'));
  for (const [time, up, down, frown] of [
    [1.7, 1, 0, 0],
    [4.7, 0, 1, 0],
    [7.7, 0.9, 0, 0.6],
  ] as const) {
    playback.seek(time);
    await nextTick();
    expect([time, of('Brows up'), of('Brows down'), of('Frown, mouth')]).toEqual([time, up, down, frown]);
  }
  // What is said of a camera is not said of the truth.
  expect(shown.text()).not.toContain('at rest');
  shown.unmount();
});
