import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import fc from 'fast-check';
import { Capturing, LOOP_LENGTH, withLengths } from './capturing';
import { fileOf } from './kept-file';

const pixels = new Uint8ClampedArray(4);

describe('how long the pictures of a loop are shown', () => {
  test('together as long as they took, each in whole hundredths', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e6, noNaN: true }),
        fc.array(fc.double({ min: 30, max: 900, noNaN: true }), { minLength: 1, maxLength: 60 }),
        (first, gaps) => {
          let at = first;
          const frames = gaps.map((gap) => {
            const frame = { rgba: pixels, at };
            at += gap;
            return frame;
          });
          const shown = withLengths(frames, at).map((f) => f.milliseconds);
          const all = shown.reduce((sum, ms) => sum + ms, 0);
          expect(Math.abs(all - (at - first))).toBeLessThanOrEqual(5.001);
          for (const [i, ms] of shown.entries()) {
            expect(ms % 10).toBe(0);
            expect(Math.abs(ms - gaps[i]!)).toBeLessThanOrEqual(10.001);
          }
        },
      ),
    );
  });
  test('two that were taken at once are still shown, as viewers of GIFs want it', () => {
    expect(withLengths([{ rgba: pixels, at: 0 }], 1)[0]!.milliseconds).toBe(20);
  });
});

describe('what is taken off a canvas', () => {
  /** Says what it was drawn from, so that what was taken when can be told. */
  class Sheet {
    readonly drawn: unknown[] = [];
    constructor(
      readonly width: number,
      readonly height: number,
    ) {}
    getContext() {
      return {
        canvas: this,
        drawImage: (from: unknown) => this.drawn.push(from),
        getImageData: (_x: number, _y: number, width: number, height: number) => ({
          data: new Uint8ClampedArray(4 * width * height),
        }),
      };
    }
  }
  const canvas = { width: 360, height: 640 } as HTMLCanvasElement;
  const usual = globalThis.OffscreenCanvas;
  beforeEach(() => {
    globalThis.OffscreenCanvas = Sheet as never;
    jest.spyOn(performance, 'now').mockReturnValue(0);
  });
  afterEach(() => {
    globalThis.OffscreenCanvas = usual;
    jest.restoreAllMocks();
  });

  test('a photo is of the next picture, not of the one before it was asked for', async () => {
    const capturing = new Capturing(canvas);
    capturing.drawn(0);
    let photo: unknown = null;
    const taking = capturing.photo().then((p) => (photo = p));
    await Promise.resolve();
    expect([photo, capturing.isWaiting]).toEqual([null, true]);
    capturing.drawn(16);
    await taking;
    expect(photo).toMatchObject({ width: 360, height: 640, drawn: [canvas] });
    expect(capturing.isWaiting).toBe(false);
  });

  test('a loop is four seconds, no more than it needs a second, and small enough to send', async () => {
    const capturing = new Capturing(canvas);
    const told: number[] = [];
    const taking = capturing.takeLoop((share) => told.push(share));
    for (let now = 0; now <= LOOP_LENGTH + 40; now += 20) capturing.drawn(now);
    const loop = await taking;
    expect([loop.width, loop.height]).toEqual([270, 480]);
    expect(loop.frames).toHaveLength(LOOP_LENGTH / 80);
    expect(loop.frames.reduce((sum, f) => sum + f.milliseconds, 0)).toBe(LOOP_LENGTH);
    expect(told[0]).toBe(0);
    expect(told.at(-1)).toBeGreaterThan(0.95);
  });

  test('what is given up, aborted or stopped is told, and nothing is waited for any more', async () => {
    const capturing = new Capturing(canvas);
    const giving = new AbortController();
    const aborted = capturing.takeLoop(() => {}, giving.signal);
    giving.abort();
    await expect(aborted).rejects.toMatchObject({ code: 'capture.cancelled' });
    const [photo, loop] = [capturing.photo(), capturing.takeLoop()];
    capturing.stop();
    await expect(photo).rejects.toMatchObject({ code: 'capture.cancelled' });
    await expect(loop).rejects.toMatchObject({ code: 'capture.cancelled' });
    expect(capturing.isWaiting).toBe(false);
    expect(() => capturing.drawn(1)).not.toThrow();
  });

  test('a browser that cannot record says so, and lets go of the canvas', () => {
    const stop = jest.fn();
    const stream = { addTrack: () => {}, getVideoTracks: () => [{ stop }] };
    const still = { ...canvas, captureStream: () => stream } as never;
    const capturing = new Capturing(still);
    expect(() => capturing.startVideo()).toThrow(/cannot record/);
    // The canvas is not copied for nobody.
    expect(stop).toHaveBeenCalledTimes(1);
    expect(capturing.isRecording).toBe(false);
  });
});

test.each([
  ['Salt Glow', 'image/png', 'Salt-Glow.png'],
  ['  ../../etc/passwd  ', 'image/gif', 'etc-passwd.gif'],
  ['潮の夜 2', 'video/webm', '潮の夜-2.webm'],
  ['///', 'image/webp', 'effect.webp'],
])('a file of %s is named after it', (name, type, expected) => {
  expect(fileOf(new Blob([], { type }), name).name).toBe(expected);
});
