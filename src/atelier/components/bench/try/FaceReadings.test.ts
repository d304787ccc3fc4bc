/**
 * What the face does now is shown in bars; what both sides do together is one.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, expect, test } from '@jest/globals';
import { nextTick } from 'vue';
import { blankEffect } from '../../../../core/document/defaults';
import { expression } from '../../../../core/tracking/track-frame';
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
  for (const share of [0.1, 0.5, 0.9]) {
    playback.seek(share * playback.take.duration);
    await nextTick();
    const face = playback.take.frameAt(playback.time).faces[0];
    const of = (name: string): number =>
      Number(shown.find(`[aria-label="${name}"]`).attributes('aria-valuenow'));
    expect(of('Mouth open')).toBeCloseTo(expression(face, 'jawOpen'), 2);
    expect(of('Brows down')).toBeCloseTo(
      (expression(face, 'browDownLeft') + expression(face, 'browDownRight')) / 2,
      2,
    );
  }
  // What is said of a camera is not said of the truth.
  expect(shown.text()).not.toContain('at rest');
  shown.unmount();
});
