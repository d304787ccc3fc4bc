import { describe, expect, test } from '@jest/globals';
import { angleBetween, toAngles } from '../maths/quaternion';
import { distance, pointAt, subtract, type Vec3 } from '../maths/vec3';
import { toOuter } from '../maths/pose';
import { ALL_LANDMARKS, FACE_LANDMARKS } from '../face/landmarks';
import { projectPoint } from '../tracking/project';
import { expression, type TrackFrame } from '../tracking/track-frame';
import { curve, pulses, valueAt } from './curve';
import { FIRST_TAKE, PERFORMANCES, PERFORMERS, SHIPPED_TAKES, screenTest } from './library';
import { landmarksInPicture, makeTake, pictureCorners } from './make-take';
import { arranged, collisions } from './staging';
import { takeSpecSchema, type MarkKind, type Take } from './take';

const FINE = 1 / 240;
const takeNamed = (id: string): Take => SHIPPED_TAKES.find((t) => t.id === id)!;

/** Everything that moves in a frame: a name and where it is. */
const moving = (frame: TrackFrame): Map<string, Vec3> =>
  new Map([
    ['camera', frame.camera.pose.position],
    ...frame.faces.flatMap((f): [string, Vec3][] => [
      [`head ${f.id}`, f.pose.position],
      [`nose ${f.id}`, toOuter(f.pose, [0, 0, 0.08])],
    ]),
    ...frame.hands.map((h): [string, Vec3] => [`hand ${h.id}`, h.pose.position]),
    ...frame.pictures.map((p): [string, Vec3] => [`picture ${p.id}`, toOuter(p.pose, [0.1, 0.1, 0])]),
  ]);

/** Metres a second that each kind may move. */
const SPEED: Readonly<Record<string, number>> = { camera: 2, head: 1.2, nose: 1.6, hand: 2, picture: 2 };

describe.each(SHIPPED_TAKES.map((take) => [take.name, take] as const))('%s', (_name, take) => {
  test('is a valid spec that lasts 8 to 20 seconds and says what it is good for', () => {
    expect(takeSpecSchema.parse(take.spec)).toEqual(take.spec);
    expect(take.goodFor.length).toBeGreaterThan(10);
  });
  test('loops without a jump, and the same instant is the same twice', () => {
    const [first, last] = [take.frameAt(0), take.frameAt(take.duration - 1e-7)];
    expect(distance(first.camera.pose.position, last.camera.pose.position)).toBeLessThan(1e-4);
    expect(angleBetween(first.camera.pose.rotation, last.camera.pose.rotation)).toBeLessThan(0.01);
    if (take.spec.cast.every((m) => m.present[0] === 0 && m.present[1] === 1))
      for (const [i, face] of first.faces.entries()) {
        expect(distance(face.pose.position, last.faces[i]!.pose.position)).toBeLessThan(1e-4);
        expect(angleBetween(face.pose.rotation, last.faces[i]!.pose.rotation)).toBeLessThan(0.01);
        for (let k = 0; k < ALL_LANDMARKS; k += 7)
          expect(distance(pointAt(face.landmarks, k), pointAt(last.faces[i]!.landmarks, k))).toBeLessThan(
            1e-4,
          );
      }
    for (const [i, picture] of first.pictures.entries())
      expect(distance(picture.pose.position, last.pictures[i]!.pose.position)).toBeLessThan(1e-4);
    const once = JSON.stringify(take.frameAt(3.21));
    expect(JSON.stringify(take.frameAt(3.21))).toBe(once);
    expect(JSON.stringify({ ...take.frameAt(3.21 + take.duration), time: 0 })).toBe(
      JSON.stringify({ ...makeTake(take.spec).frameAt(3.21 + take.duration), time: 0 }),
    );
  });
  test('has no jumps between steps of 1/240 s', () => {
    let last = moving(take.frameAt(0));
    for (let i = 1; i <= Math.round(take.duration / FINE); i++) {
      const now = moving(take.frameAt(i * FINE));
      for (const [name, p] of now) {
        const before = last.get(name);
        const speed = before ? distance(p, before) / FINE : 0;
        if (speed >= SPEED[name.split(' ')[0]!]!)
          throw new Error(`${name} moves at ${speed.toFixed(2)} m/s at ${(i * FINE).toFixed(3)} s`);
      }
      last = now;
    }
    for (let t = 0; t < take.duration; t += 1 / 60) {
      const [a, b] = [take.frameAt(t), take.frameAt(t + 1 / 60)];
      for (const face of a.faces) {
        const next = b.faces.find((f) => f.id === face.id);
        if (!next) continue;
        for (const name of ['jawOpen', 'mouthPucker', 'mouthSmileLeft', 'browInnerUp'] as const)
          expect(Math.abs(expression(face, name) - expression(next, name))).toBeLessThan(0.25);
      }
    }
  });
  test('its marks say what the frames say', () => {
    const says: Partial<Record<MarkKind, (f: TrackFrame) => boolean>> = {
      mouthOpen: (f) => expression(f.faces[0], 'jawOpen') > 0.4,
      pucker: (f) => expression(f.faces[0], 'mouthPucker') > 0.4,
      eyesClosed: (f) => expression(f.faces[0], 'eyeBlinkLeft') > 0.6,
      browsUp: (f) => expression(f.faces[0], 'browInnerUp') > 0.4,
      turned: (f) => Math.abs(toAngles(f.faces[0]!.pose.rotation)[1]) > 15,
      handShown: (f) => f.hands.length > 0,
      twoFaces: (f) => f.faces.length === 2,
      threeFaces: (f) => f.faces.length === 3,
      faceGone: (f) => f.faces.length === 0,
      pictureGone: (f) => f.pictures.length === 0,
    };
    for (const mark of take.marks) {
      expect(mark.to).toBeGreaterThan(mark.from);
      expect(says[mark.kind]?.(take.frameAt((mark.from + mark.to) / 2)) ?? true).toBe(true);
    }
  });
  test('people never run into each other', () => {
    expect(collisions(take)).toEqual([]);
  });
});

describe('what the takes show', () => {
  const kinds = (id: string) => new Set(takeNamed(id).marks.map((m) => m.kind));
  test.each([
    ['solo-turn-and-mouth', ['turned', 'mouthOpen', 'pucker', 'eyesClosed', 'browsUp']],
    ['slow-turn', ['turned']],
    ['nod-and-tilt', ['nodded', 'tilted']],
    ['pucker-and-blow', ['pucker']],
    ['smile-and-wink', ['smile', 'wink']],
    ['eyes-shut', ['eyesClosed']],
    ['close-and-far', ['near', 'far']],
    ['close-eyes', ['near', 'eyesClosed']],
    ['close-lips', ['near', 'mouthOpen', 'pucker', 'smile']],
    ['close-skin', ['near', 'turned', 'smile', 'browsUp']],
    ['hand-over-face', ['handShown']],
    ['two-people', ['twoFaces']],
    ['three-people', ['twoFaces', 'threeFaces']],
    ['picture-tilting', ['pictureTilted']],
    ['picture-covered', ['pictureCovered']],
    ['picture-leaving', ['pictureGone']],
  ] as const)('%s: %s', (id, wanted) => {
    for (const kind of wanted) expect(kinds(id)).toContain(kind);
  });
  test('every skin tone in turn is every skin tone, one at a time', () => {
    const take = takeNamed('skin-tones');
    const tones = [0, 1, 2, 3, 4, 5].map((i) => {
      const { people } = take.sceneAt(2.5 * i + 1);
      expect(people).toHaveLength(1);
      return people[0]!.performer.tone;
    });
    expect(tones).toEqual(['I', 'II', 'III', 'IV', 'V', 'VI']);
  });
  test('the picture tilts to 70 degrees, and is covered by more than half', () => {
    const tilting = takeNamed('picture-tilting');
    const steepest = Math.max(
      ...Array.from({ length: 240 }, (_, i) => {
        const { pictures } = tilting.sceneAt((i / 240) * 12);
        return angleBetween(pictures[0]!.pose.rotation, [0, 0, 0, 1]);
      }),
    );
    expect(steepest).toBeCloseTo(70, 0);
    const covered = takeNamed('picture-covered');
    expect(
      Math.max(...Array.from({ length: 120 }, (_, i) => covered.sceneAt(i / 10).pictures[0]!.covered)),
    ).toBeCloseTo(0.6, 2);
  });
  test('faces at rest stay whole in the picture in takes of one person', () => {
    for (const id of ['neutral', 'slow-turn', 'nod-and-tilt', 'talking']) {
      const take = takeNamed(id);
      for (let t = 0; t < take.duration; t += 0.5) {
        const { camera, faces } = take.frameAt(t);
        const seen = landmarksInPicture(camera, faces[0]!, 900, 1600);
        for (let i = 0; i < FACE_LANDMARKS; i += 9) {
          expect(seen[2 * i]!).toBeGreaterThan(0);
          expect(seen[2 * i]!).toBeLessThan(900);
          expect(seen[2 * i + 1]!).toBeGreaterThan(0);
          expect(seen[2 * i + 1]!).toBeLessThan(1600);
        }
      }
    }
  });
  test('close takes: at half the distance, what they are for in the middle of the picture and never cut off', () => {
    const rows = {
      'close-eyes': [33, 263, 105, 334, 230],
      'close-lips': [61, 291, 0, 17],
      'close-skin': [50, 280, 151],
    };
    for (const [id, landmarks] of Object.entries(rows)) {
      const take = takeNamed(id);
      let heights = 0;
      let count = 0;
      for (let t = 0; t < take.duration; t += 0.25) {
        const { camera, faces } = take.frameAt(t);
        expect(-faces[0]!.pose.position[2]).toBeLessThan(0.31);
        const seen = landmarksInPicture(camera, faces[0]!, 900, 1600);
        for (const i of landmarks) {
          expect(seen[2 * i]!).toBeGreaterThan(0);
          expect(seen[2 * i]!).toBeLessThan(900);
          heights += seen[2 * i + 1]!;
          count++;
        }
      }
      expect(Math.abs(heights / count - 800)).toBeLessThan(220);
    }
  });
  test('hand signs are told from the hand alone', () => {
    const take = takeNamed('gestures');
    const shown = [2, 4.4, 6.6, 9].map((t) => take.frameAt(t).hands[0]?.gesture);
    expect(shown).toEqual(['palm', 'fist', 'thumb', 'point']);
  });
  test('pictures take the shape of what the creator prints on them', () => {
    const spec = takeNamed('picture-in-hand').spec;
    const [wide, tall] = [2, 0.5].map((a) => makeTake(spec, { pictureAspects: [a] }).sceneAt(0).pictures[0]!);
    expect(wide!.width / wide!.height).toBeCloseTo(2, 9);
    expect(tall!.width / tall!.height).toBeCloseTo(0.5, 9);
    expect(Math.max(wide!.width, wide!.height)).toBeCloseTo(Math.max(tall!.width, tall!.height), 9);
    const corners = pictureCorners(wide!);
    expect(distance(corners[0]!, corners[1]!)).toBeCloseTo(wide!.width, 9);
    expect(distance(corners[1]!, corners[2]!)).toBeCloseTo(wide!.height, 9);
  });
  test('surfaces lie where the camera sees them', () => {
    const { camera, surfaces } = takeNamed('walk-floor').frameAt(4);
    expect(surfaces.map((s) => s.kind)).toContain('floor');
    const ahead = toOuter(camera.pose, [0, 0, -1]);
    const down = subtract(ahead, camera.pose.position)[1];
    expect(down).toBeLessThan(-0.3);
    const floor = surfaces[0]!.pose.position[1];
    const reach = (floor - camera.pose.position[1]) / down;
    const seen = projectPoint(camera, camera.fovY, camera.aspect, toOuter(camera.pose, [0, 0, -reach]))!;
    expect(seen[0]).toBeCloseTo(0.5, 9);
    expect(seen[1]).toBeCloseTo(0.5, 9);
  });
  test('a performer that is not there is named', () => {
    const spec = screenTest('nobody');
    expect(() => makeTake(spec)).toThrow('nobody');
  });
});

test('the first take has all that the first cues need', () => {
  expect(FIRST_TAKE.marks.map((m) => m.kind)).toEqual([
    'turned',
    'turned',
    'mouthOpen',
    'pucker',
    'eyesClosed',
    'browsUp',
  ]);
});

test('twelve performers: every skin tone, eight kinds of hair, beards and glasses among them', () => {
  expect(PERFORMERS).toHaveLength(12);
  expect(new Set(PERFORMERS.map((p) => p.tone)).size).toBe(6);
  expect(new Set(PERFORMERS.map((p) => p.hair.style)).size).toBe(8);
  expect(PERFORMERS.filter((p) => p.beard !== 'none').length).toBeGreaterThan(2);
  expect(PERFORMERS.filter((p) => p.glasses !== 'none').length).toBeGreaterThan(1);
  expect(new Set(PERFORMERS.map((p) => p.id)).size).toBe(12);
});

test('every performance ends as it begins', () => {
  for (const p of PERFORMANCES)
    for (const keys of [
      p.yaw,
      p.pitch,
      p.roll,
      p.x,
      p.y,
      p.z,
      p.gazeX,
      p.gazeY,
      ...Object.values(p.expressions),
    ])
      if (keys) expect(valueAt(keys, p.duration)).toBeCloseTo(valueAt(keys, 0), 9);
});

describe('curves', () => {
  test('are flat outside, exact at the keys, smooth between', () => {
    const keys = curve('1:10 2:20 4:0');
    expect([0, 1, 2, 4, 9].map((t) => valueAt(keys, t))).toEqual([10, 10, 20, 0, 0]);
    expect(valueAt(keys, 1.5)).toBeCloseTo(15, 9);
    expect(valueAt(keys, 1.1)).toBeLessThan(10.5);
    expect(valueAt([], 3)).toBe(0);
  });
  test('what is no curve is refused', () => {
    expect(() => curve('1:2 0:3')).toThrow('not a curve');
    expect(() => curve('1:2 x')).toThrow('not a curve');
  });
  test('pulses rise to their peak and fall again', () => {
    const keys = pulses([2, 5], { rise: 0.5, hold: 1, fall: 0.5, peak: 3 });
    expect([0, 1.5, 2, 2.9, 3.5, 4.5, 5.5, 7].map((t) => valueAt(keys, t))).toEqual([0, 0, 3, 3, 0, 0, 3, 0]);
  });
});

test('more than four people at once are refused, one after the other is fine', () => {
  const { spec } = takeNamed('skin-tones');
  expect(takeSpecSchema.safeParse(spec).success).toBe(true);
  const crowded = { ...spec, cast: spec.cast.map((m) => ({ ...m, present: [0, 1] })) };
  expect(takeSpecSchema.safeParse(crowded).error?.issues[0]?.message).toBe(
    'At most four people fit before the camera.',
  );
});

describe('staging', () => {
  const spec = screenTest('wren');
  const cast = (count: number) =>
    PERFORMERS.slice(0, count).map((p) => ({ ...spec.cast[0]!, performer: p.id }));
  test.each([1, 2, 3, 4])(
    '%i people are spread out so that all are seen and none stands in another',
    (count) => {
      const take = makeTake({ ...spec, cast: arranged(cast(count)) });
      expect(collisions(take)).toEqual([]);
      expect(take.frameAt(1).faces).toHaveLength(count);
    },
  );
  test('two people in one place are noticed', () => {
    expect(collisions(makeTake({ ...spec, cast: cast(2) }))).toEqual([[1, 2]]);
  });
});
