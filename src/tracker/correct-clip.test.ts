/** A clip is tracked again from where a creator has said something is; what is not corrected stays. */
import { beforeEach, describe, expect, test } from '@jest/globals';
import { CLIP_RATE } from '../core/takes/clip';
import { faceToCorrect, pictureToCorrect, withFace } from '../core/takes/correct-clip';
import { FIRST_TAKE, SHIPPED_TAKES } from '../core/takes/library';
import { faceRegion, regionOverlap, type Region } from '../core/tracking/region';
import type { TrackedFace, TrackedPicture, TrackFrame } from '../core/tracking/track-frame';
import { correctClip, type CorrectClipOptions } from './correct-clip';
import type { PictureMoment } from './tracker';
import type { ClipSource } from './track-clip';

beforeEach(() => void Object.assign(globalThis, { createImageBitmap: () => Promise.resolve({}) }));

const truth = Array.from({ length: 10 }, (_, i) => FIRST_TAKE.frameAt(i / CLIP_RATE));
const faceOf = (i: number): TrackedFace => truth[i]!.faces[0]!;
/** Nobody was found in it. */
const empty: TrackFrame[] = truth.map((frame) => ({ ...frame, faces: [], pictures: [] }));
let shown: number[];
const source: ClipSource = {
  width: 480,
  height: 640,
  duration: 1,
  pictures: async function* (times) {
    for (const time of times) {
      shown.push(Math.round(time * CLIP_RATE));
      yield {} as OffscreenCanvas;
    }
  },
};
beforeEach(() => void (shown = []));
const regions: (Region | undefined)[] = [];
const follower = (gives: (i: number) => readonly TrackedFace[]) => ({
  start: () => Promise.resolve(),
  look: (_: ImageBitmap, { time, region }: PictureMoment) => {
    regions.push(region);
    return Promise.resolve(gives(Math.round(time * CLIP_RATE)));
  },
  stop: () => {},
});
const options = (more: Partial<CorrectClipOptions> = {}): CorrectClipOptions => ({
  signal: new AbortController().signal,
  onProgress: () => {},
  ...more,
});
const BOX: Region = { x: 0.3, y: 0.2, width: 0.4, height: 0.5 };

describe('a face', () => {
  test('is followed from the corrected picture on, in a region that goes along with it, until it is lost', async () => {
    regions.length = 0;
    const frames = await correctClip(source, empty, 3, { kind: 'face', region: BOX }, [], {
      ...options({ makeFaces: () => follower((i) => (i < 8 ? [faceOf(i)] : [])) }),
    });
    expect(frames.map((f) => f.faces.length)).toEqual([0, 0, 0, 1, 1, 1, 1, 1, 0, 0]);
    expect(frames[5]!.faces[0]!.pose).toEqual(faceOf(5).pose);
    // The first picture is looked at until the tracker has settled.
    expect(regions.slice(0, 3)).toEqual([BOX, BOX, BOX]);
    expect(regionOverlap(regions[4]!, faceRegion(faceOf(4), truth[4]!.camera, 0)!)).toBeCloseTo(1, 3);
    expect(shown[0]).toBe(3);
  });
  test('that is not there is said, and nothing is changed', async () => {
    const waiting = correctClip(source, empty, 2, { kind: 'face', region: BOX }, [], {
      ...options({ makeFaces: () => follower(() => []) }),
    });
    await expect(waiting).rejects.toMatchObject({ code: 'clip.uncorrected' });
  });
  test('takes the place of the one that was found there; another one stays, and names stay apart', () => {
    const frame = truth[0]!;
    const moved = { ...faceOf(0), pose: { ...faceOf(0).pose, position: [0.005, 0, -0.5] as const } };
    expect(withFace(frame, moved).faces).toEqual([{ ...moved, id: faceOf(0).id }]);
    const beside = { ...faceOf(0), pose: { ...faceOf(0).pose, position: [0.25, 0, -0.6] as const } };
    const both = withFace(frame, beside).faces;
    expect(both).toHaveLength(2);
    expect(new Set(both.map((f) => f.id)).size).toBe(2);
  });
  test('cancelled, the clip stays as it was', async () => {
    const abort = new AbortController();
    const waiting = correctClip(source, empty, 0, { kind: 'face', region: BOX }, [], {
      ...options({
        signal: abort.signal,
        onProgress: () => abort.abort(),
        makeFaces: () => follower((i) => [faceOf(i)]),
      }),
    });
    await expect(waiting).rejects.toMatchObject({ code: 'clip.cancelled' });
  });
});

test('a printed picture begins at its corners and is followed; others in the frame stay', async () => {
  const held = SHIPPED_TAKES.find((t) => t.id === 'picture-in-hand')!.frameAt(0);
  const [card] = held.pictures as [TrackedPicture];
  const other = { ...card, id: 2 };
  const frames = empty.map((frame) => ({ ...frame, camera: held.camera, pictures: [other] }));
  const corners = pictureToCorrect({ ...held, pictures: [card] }, 1, 1.4);
  const begun: unknown[] = [];
  const corrected = await correctClip(source, frames, 1, { kind: 'picture', id: 1, corners }, [], {
    ...options({
      makePictures: () => ({
        start: () => Promise.resolve(),
        begin: (_, __, known) => {
          begun.push(known);
          return Promise.resolve([card]);
        },
        look: (_, { time }) => Promise.resolve(Math.round(time * CLIP_RATE) < 4 ? [card] : []),
        stop: () => {},
      }),
    }),
  });
  expect(begun).toEqual([{ id: 1, corners }]);
  expect(corrected.map((f) => f.pictures.map((p) => p.id).join())).toEqual([
    ...['2', '1,2', '1,2', '1,2'],
    ...Array.from({ length: 6 }, () => '2'),
  ]);
});

test('what there is to be moved at first is where it was found, else in the middle', () => {
  const found = faceToCorrect(truth[0]!);
  expect(regionOverlap(found, faceRegion(faceOf(0), truth[0]!.camera, 0)!)).toBeCloseTo(1, 6);
  const { x, width, y, height } = faceToCorrect(empty[0]!);
  expect([x + width / 2, y + height / 2]).toEqual([0.5, 0.5]);
  const corners = pictureToCorrect(empty[0]!, 1, 2);
  expect(corners[2]).toEqual([0.7, expect.closeTo(0.5 + 0.4 * empty[0]!.camera.aspect, 6)]);
});
