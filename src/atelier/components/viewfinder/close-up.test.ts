/** Coming closer to the picture: what is under the pointer stays there, and no emptiness is shown that need not be. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CLOSEST, closeTo, shoved, whole, within, zoomedAt, type CloseUp, type Frame } from './close-up';

const SAME: Frame = { window: { width: 360, height: 640 }, sheet: { width: 360, height: 640 } };
const WIDE: Frame = { window: { width: 900, height: 640 }, sheet: { width: 360, height: 640 } };
const frames = fc.constantFrom(SAME, WIDE);
const points = fc.tuple(fc.integer({ min: 0, max: 360 }), fc.integer({ min: 0, max: 640 }));

test('the whole picture fills its window, or stands in its middle', () => {
  expect(whole(SAME)).toEqual({ zoom: 1, x: 0, y: 0 });
  expect(whole(WIDE)).toEqual({ zoom: 1, x: 270, y: 0 });
});
test('what is under the pointer stays under it', () => {
  const close = zoomedAt(whole(SAME), [90, 320], 2, SAME);
  expect(close).toEqual({ zoom: 2, x: -90, y: -320 });
  // The same spot of the sheet, in its own pixels.
  expect([(90 - close.x) / close.zoom, (320 - close.y) / close.zoom]).toEqual([90, 320]);
});
test('the picture is shoved no farther than its edge', () => {
  const close = zoomedAt(whole(SAME), [180, 320], 2, SAME);
  expect(shoved(close, 1000, -1000, SAME)).toEqual({ zoom: 2, x: 0, y: -640 });
});
test('a part fills the window', () => {
  const close = closeTo({ left: 0.25, top: 0.25, right: 0.5, bottom: 0.5 }, SAME);
  expect(close).toEqual({ zoom: 4, x: -360, y: -640 });
  expect(closeTo({ left: 0.5, top: 0.5, right: 0.501, bottom: 0.501 }, SAME).zoom).toBe(CLOSEST);
});
test('whatever is done, the sheet covers the window or stands in its middle, and going back leads back', () => {
  fc.assert(
    fc.property(frames, points, fc.double({ min: 0.05, max: 30, noNaN: true }), (frame, point, factor) => {
      const ends = (c: CloseUp, side: 'width' | 'height', at: number): void => {
        const [window, sheet] = [frame.window[side], frame.sheet[side] * c.zoom];
        if (sheet <= window) expect(at).toBeCloseTo((window - sheet) / 2, 6);
        else {
          expect(at).toBeLessThanOrEqual(1e-6);
          expect(at + sheet).toBeGreaterThanOrEqual(window - 1e-6);
        }
      };
      const close = zoomedAt(whole(frame), point, factor, frame);
      ends(close, 'width', close.x);
      ends(close, 'height', close.y);
      expect(within(close, frame)).toEqual(close);
      expect(zoomedAt(close, point, 1 / 1000, frame)).toEqual(whole(frame));
    }),
  );
});
