/**
 * Face morphs in pixels. The camera picture is one in which every pixel says where it is (red across, green up), so that it
 * can be seen where each pixel of the drawn picture was taken from.
 */
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { newLashes } from '../src/core/kinds/objects/lashes';
import { newLayer } from '../src/core/kinds/objects/layer';
import { newMorph } from '../src/core/kinds/objects/morph';
import type { Effect, EffectObject, Morph } from '../src/core/document/schema';
import { FACE_LANDMARKS, OVAL } from '../src/core/face/landmarks';
import { movesOf } from '../src/core/placing/morph-moves';
import { morphed } from '../src/core/face/morph/moves';
import { outlineFrom } from '../src/core/face/morph/outline';
import { packMoves } from '../src/core/face/morph/packed-moves';
import { NEUTRAL_FACE, TRIANGLES } from '../src/core/face/neutral';
import { pointAt, type Vec3 } from '../src/core/maths/vec3';
import { bare, draw, id, openFacePage, SIZE, type Picture } from './harness/face-pixels';
import { seenAt } from './harness/neutral-view';

openFacePage();

const PLACES = 'vec3(vUv, 0.5)';
const withObjects = (...objects: EffectObject[]): Effect => ({
  ...blankEffect('Morph'),
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});
const morph = (change: Partial<Morph>): Morph => ({ ...newMorph(id(1), 1), relief: 0, ...change });

/** The chin drawn down to a point, as a sculpted mesh of the face layout does it. */
const POINTED = ((): NonNullable<Morph['mesh']> => {
  const moves = new Float32Array(3 * FACE_LANDMARKS);
  const [, tip] = pointAt(NEUTRAL_FACE, 152);
  for (let i = 0; i < FACE_LANDMARKS; i++) {
    const [x, y] = pointAt(NEUTRAL_FACE, i);
    const low = Math.max(0, 1 - (y - tip) / 0.045);
    moves.set([-0.6 * x * low, -0.03 * low * Math.exp(-((x / 0.02) ** 2)), 0], 3 * i);
  }
  return {
    asset: 'asset_chin' as never,
    file: '0'.repeat(64),
    moves: packMoves(moves),
    error: 0,
    by: 'layout',
  };
})();

const NEUTRAL = Float32Array.from(NEUTRAL_FACE);
/** Where a landmark is seen without and with the morph. */
const places = (of: Morph, i: number, turn?: Vec3): [[number, number], [number, number]] => {
  const after = morphed(
    NEUTRAL,
    movesOf(of)!.map((v) => v * of.amount),
  );
  return [seenAt(pointAt(NEUTRAL, i), turn), seenAt(pointAt(after, i), turn)];
};
/** Where a pixel was taken from. */
const source = (seen: Picture, at: readonly [number, number]): [number, number] => {
  const [r, g] = seen.colour(at);
  return [r * SIZE, g * SIZE];
};
/** Whether a point is on the face as it was seen, `by` pixels to spare. */
const onFace = (() => {
  const points = Float32Array.from(
    { length: 2 * FACE_LANDMARKS },
    (_, k) => seenAt(pointAt(NEUTRAL, k >> 1))[k & 1]!,
  );
  const { centre, radii } = outlineFrom([SIZE / 2, SIZE / 2], points, TRIANGLES, 256);
  return ([x, y]: readonly [number, number], by = 0): boolean => {
    const angle = Math.atan2(y - centre[1], x - centre[0]);
    const n = (Math.round((angle / (2 * Math.PI)) * 256) + 256) % 256;
    return Math.hypot(x - centre[0], y - centre[1]) < radii[n]! + by;
  };
})();

test('a chin drawn to a point: the face’s own pixels lie on the new shape, and nothing around is dragged', async () => {
  const none = await draw({ effect: bare, colour: PLACES });
  const pointed = morph({ mesh: POINTED });
  const seen = await draw({ effect: withObjects(pointed), colour: PLACES });
  for (const i of [152, 4, 13, 50, 280, 175, 1, 61, 291, 200]) {
    const [from, to] = places(pointed, i);
    // On the outline itself the edge is soft: a point a little inside of it is asked.
    const inwards = i === 152 ? 3 : 0;
    const at = source(seen, [to[0], to[1] + inwards]);
    expect(Math.hypot(at[0] - from[0], at[1] - from[1] - inwards), `landmark ${i}`).toBeLessThan(3);
  }
  const [chin, point] = places(pointed, 152);
  expect(chin[1] - point[1]).toBeGreaterThan(12);
  // Beside the new chin lies what was there before, pixel by pixel.
  let others = 0;
  for (let y = 0; y < SIZE; y++)
    for (let x = 0; x < SIZE; x++) {
      const beside = !onFace([x, y], 7) && (Math.abs(x - point[0]) > 26 || y > chin[1] || y < point[1] - 4);
      if (
        beside &&
        none.data.compare(
          seen.data,
          4 * (y * SIZE + x),
          4 * (y * SIZE + x) + 4,
          4 * (y * SIZE + x),
          4 * (y * SIZE + x) + 4,
        ) !== 0
      )
        others++;
    }
  expect(others).toBe(0);
});

test('the picture stays opaque, the soft edge of the face included', async () => {
  const lashes = { ...newLashes(id(3), 3), opacity: 0.5 };
  const seen = await draw({ effect: withObjects(morph({ mesh: POINTED }), lashes), colour: PLACES });
  let through = 0;
  for (let i = 3; i < seen.data.length; i += 4) if (seen.data[i] !== 255) through++;
  expect(through).toBe(0);
});

test('at 0 % nothing changes, at half the strength it goes half as far, below 0 the other way', async () => {
  const none = await draw({ effect: bare, colour: PLACES });
  for (const still of [morph({ mesh: POINTED, amount: 0 }), morph({ mesh: POINTED, opacity: 0 }), morph({})])
    expect((await draw({ effect: withObjects(still), colour: PLACES })).data.equals(none.data)).toBe(true);
  const half = await draw({ effect: withObjects(morph({ mesh: POINTED, opacity: 0.5 })), colour: PLACES });
  const [from, to] = places(morph({ mesh: POINTED, amount: 0.5 }), 200);
  const at = source(half, to);
  expect(Math.hypot(at[0] - from[0], at[1] - from[1])).toBeLessThan(2.5);
  const back = morph({ sliders: { width: 1 }, amount: -1 });
  const narrow = await draw({ effect: withObjects(back), colour: PLACES });
  const [was, is] = places(back, 205);
  expect(is[0]).toBeGreaterThan(was[0]);
  const taken = source(narrow, is);
  expect(Math.hypot(taken[0] - was[0], taken[1] - was[1])).toBeLessThan(2.5);
});

test('behind an outline that is taken in closes what lies outside of it', async () => {
  const narrow = morph({ sliders: { width: -1 }, amount: 1.5 });
  const seen = await draw({ effect: withObjects(narrow), colour: PLACES });
  let asked = 0;
  for (const i of OVAL) {
    const [from, to] = places(narrow, i);
    const far = Math.hypot(from[0] - to[0], from[1] - to[1]);
    if (far < 5) continue;
    // Between the old outline and the new one.
    for (const share of [0.15, 0.5, 0.75]) {
      const at: [number, number] = [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
      expect(onFace(source(seen, at), -1), `landmark ${i}, ${share}`).toBe(false);
      asked++;
    }
  }
  expect(asked).toBeGreaterThan(20);
});

test('morphs add up, also on a turned head, and what lies on the face goes along', async () => {
  const turn: Vec3 = [8, 25, 0];
  const wide = morph({ sliders: { mouthWidth: 1 } });
  const chin = { ...newMorph(id(2), 2), sliders: { chin: 1 } };
  const both = await draw({ effect: withObjects(wide, chin), colour: PLACES, turn });
  const together = morph({ sliders: { mouthWidth: 1, chin: 1 } });
  for (const i of [13, 61, 50, 200]) {
    const [from, to] = places(together, i, turn);
    const at = source(both, to);
    expect(Math.hypot(at[0] - from[0], at[1] - from[1]), `landmark ${i}`).toBeLessThan(3);
  }
  const lips = newLayer(id(0), { region: 'lips', tint: '#0000ff', finish: 'painted', opacity: 1 }, 0);
  const [[, corner], [, before]] = [
    places(wide, 291),
    places(morph({ sliders: { chin: 1 }, amount: 0 }), 291),
  ];
  expect(corner[0] - before[0]).toBeGreaterThan(3);
  const blueness = (seen: Picture, x: number): number => seen.colour([x, corner[1]])[2];
  const [plain, reshaped] = [
    await draw({ effect: withObjects(lips), colour: 'vec3(0.7, 0.5, 0.2)' }),
    await draw({ effect: withObjects(lips, wide), colour: 'vec3(0.7, 0.5, 0.2)' }),
  ];
  const edge = (before[0] + corner[0]) / 2;
  expect(blueness(reshaped, edge) - blueness(plain, edge)).toBeGreaterThan(0.25);
});

test('limited to the nose, it leaves the chin; another face is left alone', async () => {
  const none = await draw({ effect: bare, colour: PLACES });
  const nose = morph({ sliders: { noseLength: 1, chin: 1, width: 1 }, regions: ['nose'], fade: 0.05 });
  const seen = await draw({ effect: withObjects(nose), colour: PLACES });
  const [from, to] = places(nose, 4);
  expect(Math.hypot(from[0] - to[0], from[1] - to[1])).toBeGreaterThan(1.5);
  const at = source(seen, to);
  expect(Math.hypot(at[0] - from[0], at[1] - from[1])).toBeLessThan(2.5);
  const chin = seenAt(pointAt(NEUTRAL, 152));
  const still = source(seen, [chin[0], chin[1] + 4]);
  expect(Math.hypot(still[0] - chin[0], still[1] - chin[1] - 4)).toBeLessThan(1.5);
  const second = { ...newMorph(id(1), 1, 2), sliders: { chin: 1 } };
  expect((await draw({ effect: withObjects(second), colour: PLACES })).data.equals(none.data)).toBe(true);
});

test('a hand before the face is neither bent nor covered', async () => {
  const spec = { take: 'hand-over-face', time: 5.6, width: 270, height: 480 };
  const none = await draw({ effect: bare, ...spec, cover: true });
  const seen = await draw({ effect: withObjects(morph({ sliders: { width: 1, chin: 1 } })), ...spec });
  const cover = Buffer.from(none.cover!, 'base64');
  let [kept, covered, changed] = [0, 0, 0];
  cover.forEach((c, i) => {
    const same = [0, 1, 2].every((k) => Math.abs(none.data[4 * i + k]! - seen.data[4 * i + k]!) <= 6);
    if (c === 1) {
      covered++;
      if (same) kept++;
    } else if (!same) changed++;
  });
  expect(covered).toBeGreaterThan(300);
  expect(kept / covered).toBeGreaterThan(0.97);
  expect(changed).toBeGreaterThan(1000);
});
