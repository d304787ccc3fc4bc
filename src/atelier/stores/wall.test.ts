/**
 * The wall's sets: ready ones, changed ones, and the creator's own.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { beforeEach, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { LEAST_TILES, MOST_TILES, WALL_SETS } from '../../core/takes/library/wall-sets';
import { MOST_SETS, readOwnSets } from '../takes/kept-walls';
import { useTakesStore } from './takes';
import { useWallStore } from './wall';

beforeEach(() => {
  localStorage.clear();
  setActivePinia(createPinia());
});
const idsOn = (wall: ReturnType<typeof useWallStore>) => wall.takes.map(({ id }) => id);

test('a ready set is changed, kept under a name, and there again in the next window', () => {
  const wall = useWallStore();
  wall.choose('covered');
  wall.add('neutral');
  wall.remove('drink');
  expect(idsOn(wall)).toEqual(['hand-over-face', 'gestures', 'neutral']);
  wall.keep('  Hands and rest ');
  expect([wall.set.name, wall.isOwn, wall.changed]).toEqual(['Hands and rest', true, null]);
  // The ready one is as it was.
  wall.choose('covered');
  expect(idsOn(wall)).toEqual(WALL_SETS.find(({ id }) => id === 'covered')!.takes);
  setActivePinia(createPinia());
  const later = useWallStore();
  later.choose(later.own[0]!.id);
  expect(idsOn(later)).toEqual(['hand-over-face', 'gestures', 'neutral']);
  // The same name writes over it; it can be deleted, ready ones cannot.
  later.add('brows');
  later.keep('Hands and rest');
  expect(readOwnSets().map(({ takes }) => takes)).toEqual([
    ['hand-over-face', 'gestures', 'neutral', 'brows'],
  ]);
  later.deleteSet();
  expect(readOwnSets()).toEqual([]);
  later.deleteSet();
  expect(idsOn(later)).toHaveLength(6);
});

test('a wall has two takes at least and twelve at most, each once; changes can be taken back', () => {
  const wall = useWallStore();
  wall.choose('two-faces');
  wall.remove('two-people');
  expect(wall.takes).toHaveLength(LEAST_TILES);
  for (const { id } of useTakesStore().all) wall.add(id);
  wall.add('two-people');
  expect(new Set(idsOn(wall)).size).toBe(MOST_TILES);
  wall.choose('two-faces');
  expect([wall.changed, idsOn(wall)]).toEqual([null, ['two-people', 'three-people']]);
});

test('a take that somebody else plays is the same one each time it is asked for', () => {
  const wall = useWallStore();
  const before = wall.takes;
  wall.choose('covered');
  wall.choose('tones');
  wall.takes.forEach((take, i) => expect(take).toBe(before[i]));
});

test('takes that are gone are left out and counted; what was damaged in the browser is left out', () => {
  localStorage.setItem(
    'iconia.walls',
    JSON.stringify([
      { id: 'own:Old', name: 'Old', takes: ['neutral', 'brows', 'take_gone'] },
      { id: 'own:One', name: 'One', takes: ['neutral'] },
      { id: 'own:Odd', name: '<b>', takes: [1, 2] },
      null,
      'x',
    ]),
  );
  const wall = useWallStore();
  expect(wall.own.map(({ name }) => name)).toEqual(['Old']);
  wall.choose('own:Old');
  // While own takes are still on their way nothing is said to be gone.
  expect(wall.gone).toBe(0);
  useTakesStore().loaded = true;
  expect([wall.gone, idsOn(wall)]).toEqual([1, ['neutral', 'brows']]);
  // What is left of a set may be too little for one: it is not kept so that it would be lost.
  localStorage.setItem(
    'iconia.walls',
    JSON.stringify([{ id: 'own:Two', name: 'Two', takes: ['neutral', 'x'] }]),
  );
  setActivePinia(createPinia());
  const two = useWallStore();
  two.choose('own:Two');
  two.keep('Two');
  expect(two.trouble).toMatch(/2 takes at least/);
  expect(readOwnSets()[0]!.takes).toEqual(['neutral', 'x']);
  localStorage.setItem('iconia.walls', '{ not json');
  expect(readOwnSets()).toEqual([]);
});

test('so many sets are kept, and no more: that is said, and nothing is lost', () => {
  const wall = useWallStore();
  for (let i = 0; i < MOST_SETS; i++) wall.keep(`Set ${i}`);
  expect(wall.trouble).toBeNull();
  wall.keep('One more');
  expect(wall.trouble).toMatch(/Delete one first/);
  expect(wall.own).toHaveLength(MOST_SETS);
  wall.keep('   ');
  expect(wall.own).toHaveLength(MOST_SETS);
});
