import { expect, test } from '@jest/globals';
import { effectScope, nextTick, shallowRef } from 'vue';
import { blankEffect } from '../../core/document/defaults';
import { FIRST_TAKE } from '../../core/takes/library';
import { playedBy } from '../../core/takes/library/compared-faces';
import { nextFace, useFaceRow, type FaceRow, type MakeStill } from './use-face-row';

const takes = ['wren', 'ines', 'tobe'].map((performer) => playedBy(performer, FIRST_TAKE));
const rowOf = (name: string): FaceRow => ({
  effect: blankEffect(name),
  takes,
  people: 'plain',
  scene: null,
  width: 6,
  height: 8,
});
const soon = () => new Promise((next) => setTimeout(next, 0));

const world = () => {
  const asked: { effect: string; take: string; done: (url: string) => void; fail: () => void }[] = [];
  const make: MakeStill = ({ effect, take }, _signal, onStill) =>
    new Promise((done, failed) =>
      asked.push({
        effect: effect.name,
        take: take.id,
        done: (url) => {
          onStill(0, url);
          done();
        },
        fail: () => failed(new Error('lost')),
      }),
    );
  const row = shallowRef<FaceRow | null>(rowOf('One'));
  const scope = effectScope();
  const stills = scope.run(() => useFaceRow(() => row.value, make))!;
  return { asked, row, scope, stills };
};

test('the next face is the first after the last one that does not show the newest state', () => {
  expect(nextFace([1, 1, 1], 1, 0)).toBe(-1);
  expect(nextFace([1, 0, 0], 1, 0)).toBe(1);
  expect(nextFace([0, 1, 1], 1, 1)).toBe(0);
  expect(nextFace([1, 1, 1], 2, 1)).toBe(2);
  expect(nextFace([], 2, 1)).toBe(-1);
});

test('faces are drawn one after the other; a change goes on with the next one, and comes round to those before it', async () => {
  const { asked, row, stills, scope } = world();
  expect(asked.map((a) => a.take)).toEqual([takes[0]!.id]);
  asked[0]!.done('blob:0');
  await soon();
  expect(stills.value).toEqual(['blob:0', null, null]);
  row.value = rowOf('Two');
  await nextTick();
  // One at a time.
  expect(asked).toHaveLength(2);
  for (let i = 1; i < 5; i++) {
    asked[i]!.done(`blob:${i}`);
    await soon();
  }
  expect(asked.map((a) => [a.effect, takes.findIndex((t) => t.id === a.take)])).toEqual([
    ['One', 0],
    ['One', 1],
    ['Two', 2],
    ['Two', 0],
    ['Two', 1],
  ]);
  expect(stills.value).toEqual(['blob:3', 'blob:4', 'blob:2']);
  scope.stop();
});

test('a face that cannot be drawn holds up none of the others; hidden, nothing is drawn; stopped, nothing goes on', async () => {
  const { asked, row, stills, scope } = world();
  asked[0]!.fail();
  await soon();
  expect(asked).toHaveLength(2);
  row.value = null;
  await nextTick();
  asked[1]!.done('blob:1');
  await soon();
  expect(asked).toHaveLength(2);
  expect(stills.value).toEqual([null, 'blob:1', null]);
  row.value = rowOf('Again');
  await nextTick();
  expect(asked).toHaveLength(3);
  scope.stop();
  asked[2]!.done('blob:2');
  await soon();
  expect(asked).toHaveLength(3);
});
