/** What a point of the picture shows: faces, printed pictures, floors, walls; the nearest counts. */
import { describe, expect, test } from '@jest/globals';
import { newTarget } from '../document/defaults';
import type { Target, TargetId } from '../document/schema';
import type { PicturePoint } from '../program/inputs';
import type { TrackFrame } from '../tracking/track-frame';
import { handAnchor, headAnchor } from '../kinds/objects/placed';
import { IDENTITY_MATRIX } from '../maths/matrix';
import type { Ray } from '../maths/ray';
import { pointedAt, spotOn, type Pointed } from './pointed';
import { NOBODY, nextPresence } from './presence';
import { faceAt, frameOf, handAt, poseAt } from './testing';

const CARD = newTarget('target_tide' as TargetId, 'Tide card', 0, null);
const at = (frame: TrackFrame, point: PicturePoint, targets: readonly Target[] = []): Pointed | null =>
  pointedAt({ frame, presence: nextPresence(NOBODY, frame, targets), targets, aspect: 9 / 16 }, point);
const MIDDLE = { x: 0.5, y: 0.5 };

describe('what somebody points at', () => {
  test('the floor, where the ray meets it, in its own metres', () => {
    // 60 degrees from top to bottom: the lower edge looks 30 degrees down, and meets a floor 1.3 m below at 2.25 m.
    const low = at(frameOf(), { x: 0.5, y: 1 })!;
    expect(low.anchor).toEqual({ kind: 'world', surface: 'floor' });
    expect(low.at![0]).toBeCloseTo(0, 6);
    expect(low.at![1]).toBeCloseTo(0, 6);
    // The floor begins two metres away from the camera.
    expect(low.at![2]).toBeCloseTo(-(1.3 / Math.tan(Math.PI / 6) - 2), 5);
  });
  test('nothing above the horizon, and nothing beyond the edge of the floor', () => {
    expect(at(frameOf(), { x: 0.5, y: 0.2 })).toBeNull();
    const small = frameOf({
      surfaces: [{ id: 1, kind: 'floor', pose: poseAt([0, -1.3, -2]), extent: [0.2, 0.2] }],
    });
    expect(at(small, { x: 0.5, y: 1 })).toBeNull();
  });
  test('a wall: what hangs there lies at that height of it', () => {
    const wall = frameOf({
      surfaces: [{ id: 1, kind: 'wall', pose: poseAt([0, 0, -2], [90, 0, 0]), extent: [4, 4] }],
    });
    const hit = at(wall, { x: 0.5, y: 0.25 })!;
    expect(hit.anchor).toEqual({ kind: 'world', surface: 'wall' });
    expect(hit.at![1]).toBeCloseTo(2 * Math.tan(Math.PI / 6) * 0.5, 5);
    expect(hit.at![2]).toBeCloseTo(0, 6);
  });
  test('a hand before a face; beside it the face', () => {
    const frame = frameOf({
      faces: [faceAt(7, poseAt([0, 0, -0.6]))],
      hands: [handAt(1, poseAt([0, -0.2, -0.4]))],
    });
    const low = { x: 0.5, y: 0.62 };
    expect(at(frame, low)).toEqual({ anchor: handAnchor('palm'), at: null });
    expect(at({ ...frame, hands: [] }, low)?.anchor.kind).toBe('head');
    expect(at(frame, MIDDLE)?.anchor.kind).toBe('head');
  });
  test('a face before the floor, by its number; beside it what is behind', () => {
    const frame = frameOf({
      faces: [faceAt(7, poseAt([-0.12, -0.1, -0.6])), faceAt(9, poseAt([0.12, -0.1, -0.6]))],
    });
    const on = (x: number) => at(frame, { x, y: 0.62 })?.anchor;
    expect(on(0.2)).toMatchObject({ kind: 'head', face: 1 });
    expect(on(0.8)).toMatchObject({ kind: 'head', face: 2 });
    expect(at(frame, { x: 0.5, y: 0.99 })?.anchor).toEqual({ kind: 'world', surface: 'floor' });
  });
  test('a printed picture that is seen, and where on it; one that is lost is not pointed at', () => {
    const picture = { id: 1, pose: poseAt([0.02, 0, -0.5]), width: 0.3, height: 0.2, confidence: 1 };
    const seen = at(frameOf({ pictures: [picture] }), MIDDLE, [{ ...CARD, width: 0.3 }])!;
    expect(seen.anchor).toEqual({ kind: 'picture', target: CARD.id });
    expect(seen.at![0]).toBeCloseTo(-0.02, 6);
    expect(at(frameOf(), MIDDLE, [CARD])).toBeNull();
  });
});

describe('where a ray meets the ground that things stand on', () => {
  const down: Ray = { from: [1, 2, 3], along: [0, -0.6, -0.8] };
  test('a floor in its own metres, a picture and a wall upright', () => {
    const floor = spotOn(down, IDENTITY_MATRIX, { kind: 'world', surface: 'floor' })!;
    expect(floor.map((x) => Number(x.toFixed(6)))).toEqual([1, 0, 0.333333]);
    const card = spotOn(down, IDENTITY_MATRIX, { kind: 'picture', target: CARD.id })!;
    expect(card[2]).toBeCloseTo(0, 9);
    expect(card[1]).toBeCloseTo(2 - (3 / 0.8) * 0.6, 9);
  });
  test('not above the horizon, nor on what is no ground', () => {
    const up: Ray = { from: [0, 1, 0], along: [0, 1, 0] };
    expect(spotOn(up, IDENTITY_MATRIX, { kind: 'world', surface: 'table' })).toBeNull();
    expect(spotOn(down, IDENTITY_MATRIX, headAnchor('chin'))).toBeNull();
    expect(spotOn(down, IDENTITY_MATRIX, { kind: 'screen', pin: 'centre' })).toBeNull();
  });
});
