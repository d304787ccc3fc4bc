/** What sticks to a hand, in pixels: it is seen where the hand is, and the hand hides what is behind it; so do people in a room. */
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import type { Anchor, Effect, EffectObject, ObjectId } from '../src/core/document/schema';
import { handPoint, type HandPoint } from '../src/core/hand/points';
import { newHandOccluder, newPeopleOccluder } from '../src/core/kinds/objects/occluder';
import { handAnchor, headAnchor } from '../src/core/kinds/objects/placed';
import { newSolid } from '../src/core/kinds/objects/solid';
import { toOuter } from '../src/core/maths/pose';
import { SHIPPED_TAKES } from '../src/core/takes/library';
import { projectPoint } from '../src/core/tracking/project';
import { draw, openFacePage, type Picture } from './harness/face-pixels';

openFacePage();

const TAKE = SHIPPED_TAKES.find((t) => t.id === 'gestures')!;
/** An open palm, before and beside the face. */
const TIME = 2;
const [width, height] = [180, 320];
const effectWith = (...objects: EffectObject[]): Effect => ({
  ...blankEffect('Hand'),
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});
const ball = (anchor: ReturnType<typeof handAnchor>, size: number): EffectObject => ({
  ...newSolid('obj_ball' as ObjectId, 'sphere', 0, anchor),
  move: [0, 0, 0],
  extent: [size, size, size],
});
const hides = newHandOccluder('obj_hides' as ObjectId, 5);
const seen = (effect: Effect): Promise<Picture> =>
  draw({ effect, take: 'gestures', time: TIME, width, height });
/** Pixels that differ between two pictures: how many, and where their middle is (from the lower left). */
const changed = (
  a: Picture,
  b: Picture,
): { readonly count: number; readonly at: readonly [number, number] } => {
  let [count, x, y] = [0, 0, 0];
  for (let i = 0; i < a.data.length; i += 4)
    if ([0, 1, 2].some((k) => Math.abs(a.data[i + k]! - b.data[i + k]!) > 12)) {
      count++;
      x += (i / 4) % width;
      y += Math.floor(i / 4 / width);
    }
  return { count, at: [x / count, y / count] };
};
const pointAtTime = (point: HandPoint): readonly [number, number] => {
  const { camera, hands } = TAKE.frameAt(TIME);
  const { pose, landmarks } = hands[0]!;
  const [x, y] = projectPoint(
    camera,
    camera.fovY,
    width / height,
    toOuter(pose, handPoint(landmarks, point).position),
  )!;
  return [x * width, (1 - y) * height];
};

for (const point of ['indexTip', 'palm'] as const)
  test(`a ball on the ${point} is seen there`, async () => {
    const { count, at } = changed(
      await seen(effectWith()),
      await seen(effectWith(ball(handAnchor(point), 0.03))),
    );
    expect(count).toBeGreaterThan(40);
    expect(Math.hypot(at[0] - pointAtTime(point)[0], at[1] - pointAtTime(point)[1])).toBeLessThan(2);
  });

test('a hand hides what is behind it on the head, and not what lies before its palm', async () => {
  const none = await seen(effectWith());
  // A board before the face, farther away than the hand that is held up beside it.
  const board: EffectObject = {
    ...newSolid('obj_board' as ObjectId, 'box', 0, headAnchor('noseTip')),
    move: [0.06, -0.02, 0.01],
    extent: [0.16, 0.16, 0.002],
  };
  const whole = changed(none, await seen(effectWith(board)));
  const cut = changed(none, await seen(effectWith(board, hides)));
  expect(whole.count).toBeGreaterThan(2000);
  // The hand takes a good part of it away, on the side that it is held up on.
  expect(cut.count / whole.count).toBeLessThan(0.8);
  expect(cut.count / whole.count).toBeGreaterThan(0.3);
  expect(cut.at[0]).toBeLessThan(whole.at[0] - 3);

  const inPalm = { ...ball(handAnchor('palm'), 0.03), move: [0, 0, 0.04] } as EffectObject;
  const behind = { ...inPalm, move: [0, 0, -0.05] } as EffectObject;
  const counts = [];
  for (const objects of [[inPalm], [inPalm, hides], [behind], [behind, hides]])
    counts.push(changed(none, await seen(effectWith(...objects))).count);
  expect(counts[1]).toBe(counts[0]);
  expect(counts[2]).toBeGreaterThan(20);
  expect(counts[3]!).toBeLessThan(0.1 * counts[2]!);
});

test('people hide what is farther away in the room, and not what is nearer', async () => {
  const floor: Anchor = { kind: 'world', surface: 'floor' };
  const { camera } = TAKE.frameAt(0);
  const below = { position: camera.pose.position, rotation: [0, 0, 0, 1] } as const;
  const surfaces = [{ id: 1, kind: 'floor', pose: below, extent: [6, 6] }] as const;
  const inRoom = (...objects: EffectObject[]): Promise<Picture> =>
    draw({ effect: effectWith(...objects), take: 'gestures', time: 0, width, height, surfaces });
  const board = (far: number): EffectObject => ({
    ...newSolid('obj_board' as ObjectId, 'box', 0, floor),
    move: [0, 0, -far],
    extent: [4 * far, 4 * far, 0.01],
  });
  const people = newPeopleOccluder('obj_people' as ObjectId, 5, floor);
  const none = await inRoom();
  const away = -TAKE.frameAt(0).faces[0]!.pose.position[2] + camera.pose.position[2];
  // A board that fills the view, half as far again as the face: the person is seen before it.
  const whole = changed(none, await inRoom(board(1.5 * away)));
  const cut = await inRoom(board(1.5 * away), people);
  expect(whole.count).toBeGreaterThan(0.95 * width * height);
  const left = changed(none, cut);
  expect(left.count / whole.count).toBeLessThan(0.75);
  expect(left.count / whole.count).toBeGreaterThan(0.3);
  // The face is as it was.
  const nose = toOuter(TAKE.frameAt(0).faces[0]!.pose, [0, 0, 0.07]);
  const [x, y] = projectPoint(camera, camera.fovY, width / height, nose)!;
  const at = [x * width, (1 - y) * height] as const;
  expect(cut.colour(at)).toEqual(none.colour(at));
  // Nearer than the face it covers all.
  expect(changed(none, await inRoom(board(0.5 * away), people)).count).toBe(
    changed(none, await inRoom(board(0.5 * away))).count,
  );
});
