/** What of the camera an effect needs, read off its document. */
import { expect, test } from '@jest/globals';
import { blankEffect } from '../core/document/defaults';
import { sampleAsset } from '../core/document/sample';
import type { Effect, ObjectId, Target, TargetId } from '../core/document/schema';
import { newCard } from '../core/kinds/objects/card';
import { SHIPPED_TAKES } from '../core/takes/library';
import { clipTake } from '../core/takes/clip';
import { cameraNeeds, takeNeeds } from './camera-needs';

const poster = sampleAsset(1);
const target = (n: number, asset: Target['asset'] = poster.id): Target => ({
  id: `target_${n}` as TargetId,
  name: `Card ${n}`,
  order: n,
  asset,
  width: 0.2,
  beforeFound: 'nothing',
  afterLost: 'nothing',
});
const effectOn = (targets: readonly Target[], on: readonly Target[]): Effect => ({
  ...blankEffect('Needs'),
  assets: { [poster.id]: poster },
  targets: Object.fromEntries(targets.map((t) => [t.id, t])),
  objects: Object.fromEntries(
    on.map((t, i) => {
      const id = `obj_${i}` as ObjectId;
      return [id, newCard(id, poster, i, { kind: 'picture', target: t.id })];
    }),
  ),
});
const asked: string[] = [];
const load = ({ sha256 }: { readonly sha256: string }) => {
  asked.push(sha256);
  return Promise.resolve(new Blob());
};

test('printed pictures that something sticks to, numbered as the effect orders them', async () => {
  const [one, two, three] = [target(1), target(2), target(3)];
  const { faces, pictures } = cameraNeeds(effectOn([one!, two!, three!], [three!, one!]), load);
  expect(faces).toBe(0);
  expect(pictures.map((p) => [p.id, p.name])).toEqual([
    [1, 'Card 1'],
    [3, 'Card 3'],
  ]);
  expect(asked).toEqual([]);
  await pictures[0]!.load();
  expect(pictures.map((p) => p.made)).toEqual([null, null]);
  expect(asked).toEqual([poster.files[0]!.sha256]);
});
test('what a picture is found by comes along where it was made before', () => {
  const made = Uint8Array.of(1, 2, 3);
  const known = new Map([[poster.files[0]!.sha256, made]]);
  const [one] = [target(1)];
  expect(cameraNeeds(effectOn([one!], [one!]), load, known).pictures.map((p) => p.made)).toEqual([made]);
});
test('none that has no picture, and never more than four', () => {
  const bare = target(1, null);
  expect(cameraNeeds(effectOn([bare], [bare]), load).pictures).toEqual([]);
  const six = [1, 2, 3, 4, 5, 6].map((n) => target(n));
  expect(cameraNeeds(effectOn(six, six), load).pictures.map((p) => p.id)).toEqual([1, 2, 3, 4]);
});
test('an effect on a face looks for faces alone', () => {
  const id = 'obj_a' as ObjectId;
  const effect = { ...effectOn([target(1)], []), objects: { [id]: newCard(id, poster, 0) } };
  expect(cameraNeeds(effect, load)).toMatchObject({
    faces: 1,
    pictures: [],
    people: false,
    microphone: false,
  });
});

test('of a take’s surfaces those that the effect stands on', () => {
  const id = 'obj_table' as ObjectId;
  const effect: Effect = {
    ...blankEffect('Needs'),
    objects: { [id]: newCard(id, poster, 0, { kind: 'world', surface: 'table' }) },
  };
  const on = (take: string) =>
    takeNeeds(
      SHIPPED_TAKES.find((t) => t.id === take)!,
      effect,
      load,
    ).surfaces;
  expect([on('round-table'), on('walk-floor'), on('slow-turn')]).toEqual([['table'], [], []]);
});
test('what is looked for in a take is what it shows; a hand that holds a picture is nothing by itself', () => {
  const effect = effectOn([target(1)], [target(1)]);
  const load = () => Promise.resolve(new Blob());
  const needs = (id: string) => {
    const { faces, hands, pictures } = takeNeeds(
      SHIPPED_TAKES.find((t) => t.id === id)!,
      effect,
      load,
    );
    return [faces, hands, pictures.length];
  };
  expect(needs('gestures')).toEqual([1, 2, 0]);
  expect(needs('picture-in-hand')).toEqual([0, 0, 1]);
  expect(needs('walk-floor')).toEqual([0, 0, 0]);
  const own = clipTake({ id: 'clip-1', name: 'Yard', width: 64, height: 48, frames: [], sought: [] });
  expect(takeNeeds(own, effect, load)).toEqual({ faces: 0, hands: 0, pictures: [], surfaces: [] });
});
