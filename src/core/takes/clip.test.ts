/** A creator's own clip, scrubbed and read like any take. */
import { describe, expect, test } from '@jest/globals';
import { newTarget } from '../document/defaults';
import type { TargetId } from '../document/schema';
import { handAnchor, headAnchor } from '../kinds/objects/placed';
import { box, effectWith } from '../placing/testing';
import { heardOn } from '../behave/loudness';
import type { TrackFrame } from '../tracking/track-frame';
import {
  CLIP_RATE,
  clipPicture,
  clipPictures,
  clipTake,
  loudnessOfPictures,
  LONGEST_CLIP,
  missedIn,
  mostFaces,
  withoutLandmarks,
} from './clip';
import type { Clip } from './clip-data';
import { SHIPPED_TAKES } from './library';
import { hasAnchor } from './library/take-for';

const filmed = (id: string, seconds: number, from = 0): TrackFrame[] =>
  Array.from({ length: seconds * CLIP_RATE }, (_, i) => {
    const time = i / CLIP_RATE;
    return { ...SHIPPED_TAKES.find((t) => t.id === id)!.frameAt(from + time), time, surfaces: [] };
  });
const clipOf = (frames: readonly TrackFrame[], sought: readonly string[] = []): Clip => ({
  id: 'clip-1',
  name: 'In the yard',
  width: 480,
  height: 640,
  frames,
  sought,
});
const clip = clipOf(filmed('solo-turn-and-mouth', 8));

describe('a clip as a take', () => {
  test('each moment is the picture that shows it; past the end it begins again', () => {
    const take = clipTake(clip);
    expect(take.duration).toBe(8);
    for (const [time, picture] of [
      [0, 0],
      [0.99 / CLIP_RATE, 0],
      [1 / CLIP_RATE, 1],
      [2.5, 37],
      [8, 0],
      [-1 / CLIP_RATE, 119],
    ] as const) {
      expect(clipPicture(clip, time)).toBe(picture);
      expect(take.frameAt(time).faces).toBe(clip.frames[picture]!.faces);
      expect(take.frameAt(time).time).toBe(time);
    }
  });
  test('its marks are read from what was tracked', () => {
    const kinds = clipTake(clip).marks.map((m) => m.kind);
    expect(kinds).toContain('mouthOpen');
    expect(kinds).toContain('turned');
    const gone = clipOf(clip.frames.map((f, i) => (i > 40 && i < 80 ? { ...f, faces: [] } : f)));
    expect(clipTake(gone).marks.find((m) => m.kind === 'faceGone')!.from).toBeCloseTo(41 / CLIP_RATE, 1);
  });
  test('one of a single picture stands still, and a long one ends', () => {
    expect(clipPictures(0.01)).toBe(1);
    expect(clipPictures(20 * 60)).toBe(LONGEST_CLIP * CLIP_RATE);
    const still = clipTake(clipOf(clip.frames.slice(0, 1)));
    expect(still.frameAt(5).faces).toBe(clip.frames[0]!.faces);
    expect(still.marks.every((m) => m.to <= still.duration + 0.1)).toBe(true);
  });
  test('it has what was found in it, and no room', () => {
    const target = newTarget('target_card' as TargetId, 'Card', 0, null);
    const effect = effectWith([box('a', headAnchor('chin'))], [target]);
    const take = clipTake(clip);
    expect(hasAnchor(take, effect, headAnchor('chin'))).toBe(true);
    expect(hasAnchor(take, effect, headAnchor('chin', 2))).toBe(false);
    expect(hasAnchor(take, effect, handAnchor('palm'))).toBe(false);
    expect(hasAnchor(clipTake(clipOf(filmed('gestures', 3))), effect, handAnchor('palm'))).toBe(true);
    expect(hasAnchor(take, effect, { kind: 'world', surface: 'floor' })).toBe(false);
    expect(mostFaces(clipOf(filmed('two-people', 2)))).toBe(2);
  });
  test('a printed picture keeps its name in another effect, whatever its number there', () => {
    const found = clipOf(filmed('picture-on-table', 2), ['sha-tide']);
    const ids = (pictures: readonly string[]) =>
      clipTake(found, pictures)
        .frameAt(1)
        .pictures.map((p) => p.id);
    expect(ids(['sha-tide'])).toEqual([1]);
    expect(ids(['sha-other', 'sha-tide'])).toEqual([2]);
    expect(ids(['sha-other'])).toEqual([]);
  });
  test('it is as loud as it was recorded', () => {
    const loud = clipOf(clip.frames.map((f, i) => ({ ...f, loudness: i < 15 ? 0 : 0.8 })));
    expect(heardOn(clipTake(loud).frameAt(0.5))).toBe(0);
    expect(heardOn(clipTake(loud).frameAt(1.5))).toBe(0.8);
    const samples = Float32Array.from({ length: 3000 }, (_, i) => (i < 1500 ? 0 : 1));
    const peaks = loudnessOfPictures(samples, 1500, 30, (s) => Math.max(0, ...Array.from(s)));
    expect(peaks).toHaveLength(30);
    expect([peaks[0], peaks[14], peaks[15], peaks[29]]).toEqual([0, 0, 1, 1]);
  });
  test('what behaviour gets of it is small, and says the same', () => {
    const small = withoutLandmarks(clip);
    expect(small.frames[3]!.faces[0]!.landmarks).toHaveLength(0);
    expect(clipTake(small).marks).toEqual(clipTake(clip).marks);
  });
});

test('what an effect needs and nobody looked for is named; what was looked for is not', () => {
  const card = { key: 'abc', name: 'Tide Card' };
  const plain = clipOf([], ['abc']);
  expect(missedIn(plain, { people: false, pictures: [card] })).toEqual({ people: false, pictures: [] });
  expect(missedIn(plain, { people: true, pictures: [card, { key: 'def', name: 'Map' }] })).toEqual({
    people: true,
    pictures: ['Map'],
  });
  expect(missedIn({ ...plain, hasPeople: true }, { people: true, pictures: [] }).people).toBe(false);
});
