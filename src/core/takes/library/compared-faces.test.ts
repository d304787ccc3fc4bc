import { expect, test } from '@jest/globals';
import { SKIN_TONES } from '../skin-tones';
import { takeSpecSchema } from '../take';
import { FIRST_TAKE, SHIPPED_TAKES } from './index';
import { closeUpOf, COMPARED_FACES, playedBy, shippedTake, toneOf, yearsOf } from './compared-faces';

const faces = (by: 'tone' | 'age') => COMPARED_FACES.filter((f) => f.by === by).map((f) => f.performer);
const shipped = (id: string) => SHIPPED_TAKES.find((t) => t.id === id)!;

test('each skin tone once, from light to dark; three ages, at least twenty years apart; nobody twice', () => {
  expect(faces('tone').map(toneOf)).toEqual([...SKIN_TONES]);
  const years = faces('age').map(yearsOf);
  expect(years).toHaveLength(3);
  for (const [i, age] of years.slice(1).entries()) expect(age - years[i]!).toBeGreaterThanOrEqual(15);
  expect(new Set(COMPARED_FACES.map((f) => f.performer)).size).toBe(COMPARED_FACES.length);
});

test('from close by a face is in the middle and nearly fills the picture, in the light that is asked for', () => {
  for (const { performer } of COMPARED_FACES) {
    const take = closeUpOf(performer, 'hard-lamp');
    expect(take.spec.light).toBe('hard-lamp');
    const [face] = take.frameAt(0).faces;
    expect(take.sceneAt(0).people[0]!.performer.id).toBe(performer);
    const [x, y, z] = face!.pose.position;
    expect(Math.hypot(x, y)).toBeLessThan(0.02);
    // A face is about 0.2 m high; so much of the picture's height it takes.
    const high = 0.2 / (2 * -z * Math.tan((take.frameAt(0).camera.fovY * Math.PI) / 360));
    expect(high).toBeGreaterThan(0.5);
    expect(high).toBeLessThan(0.85);
  }
});

test('somebody else plays the same take: only the performer is another', () => {
  const take = shipped('slow-turn');
  const other = playedBy('tobe', take);
  expect(takeSpecSchema.parse(other.spec)).toEqual({
    ...take.spec,
    id: 'slow-turn-as-tobe',
    name: `${take.name}, Tobe`,
    cast: [{ ...take.spec.cast[0], performer: 'tobe' }],
  });
  expect(other.frameAt(3).faces[0]!.pose).toEqual(take.frameAt(3).faces[0]!.pose);
  // From one to the next, and back to who it was written for.
  const third = playedBy('wren', other);
  expect([third.id, third.name]).toEqual(['slow-turn-as-wren', `${take.name}, Wren`]);
  expect(playedBy(take.spec.cast[0]!.performer, third)).toBe(take);
});

test('of several the first is replaced; where there is nobody the first take is played', () => {
  const two = shipped('two-people');
  expect(playedBy('tobe', two).spec.cast.map((m) => m.performer)).toEqual([
    'tobe',
    ...two.spec.cast.slice(1).map((m) => m.performer),
  ]);
  const empty = SHIPPED_TAKES.find((t) => t.spec.cast.length === 0)!;
  expect(playedBy('tobe', empty).id).toBe(`${FIRST_TAKE.id}-as-tobe`);
});

test('it is found again by its id; made-up ids are not', () => {
  expect(shippedTake('slow-turn')).toBe(shipped('slow-turn'));
  expect(shippedTake('slow-turn-as-tobe')?.spec).toEqual(playedBy('tobe', shipped('slow-turn')).spec);
  for (const id of ['', 'slow-turn-as-nobody', 'no-take-as-tobe', '-as-tobe'])
    expect(shippedTake(id)).toBeNull();
});
