/** @jest-environment ./scripts/jest-page.mjs */
import 'fake-indexeddb/auto';
import { afterEach, expect, test } from '@jest/globals';
import { enableAutoUnmount } from '@vue/test-utils';
import { blankEffect } from '../../../../core/document/defaults';
import { headAnchor } from '../../../../core/kinds/objects/placed';
import { newSolid } from '../../../../core/kinds/objects/solid';
import type { ObjectId } from '../../../../core/document/schema';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { mounted, openEffect, press, typeInto } from '../../testing';
import SpreadPanel from './SpreadPanel.vue';

enableAutoUnmount(afterEach);
afterEach(() => useEffectStore().close());

test('more copies than an effect holds are refused as a whole; fewer are tried from the same panel', async () => {
  const boxes = Array.from({ length: 1990 }, (_, i) =>
    newSolid(`obj_box${i}` as ObjectId, 'box', i, headAnchor('crown')),
  );
  const effectStore = openEffect({
    ...blankEffect('Many'),
    objects: Object.fromEntries(boxes.map((b) => [b.id, b])),
  });
  useDeskStore().selected = boxes[0]!.id;
  let closed = 0;
  mounted(SpreadPanel, { onClose: () => closed++ });
  await typeInto('How many copies', '20');
  await press('Make 20 copies');
  expect(effectStore.notice).toMatch(/An effect holds 2000 objects; this one has 1990/);
  expect([Object.keys(effectStore.effect.objects).length, closed]).toEqual([1990, 0]);
  await typeInto('How many copies', '5');
  await press('Make 5 copies');
  // The first is one of them, and a group holds all.
  expect([Object.keys(effectStore.effect.objects).length, closed]).toEqual([1995, 1]);
});

test('the ring stays closed as the number of copies changes, until a step is typed; the copies are seen before they are made', async () => {
  const pearl = newSolid('obj_pearl' as ObjectId, 'sphere', 0, headAnchor('crown'));
  const effectStore = openEffect({ ...blankEffect('Ring'), objects: { [pearl.id]: pearl } });
  useDeskStore().selected = pearl.id;
  const panel = mounted(SpreadPanel);
  const seen = () => Object.values(effectStore.shown.objects).filter((o) => o.kind === 'solid').length;
  const step = () =>
    Number(panel.get('[aria-label="Angle from one copy to the next, degrees"]').attributes('aria-valuenow'));
  expect([seen(), step(), Object.keys(effectStore.effect.objects).length]).toEqual([8, 45, 1]);
  await typeInto('How many copies', '5');
  expect([seen(), step()]).toEqual([5, 72]);
  await typeInto('Angle from one copy to the next, degrees', '30');
  await typeInto('How many copies', '6');
  expect(step()).toBe(30);
  await press('Evenly all round');
  expect(step()).toBe(60);
  await press('Make 6 copies');
  expect(Object.values(effectStore.effect.objects).filter((o) => o.kind === 'solid')).toHaveLength(6);
  panel.unmount();
  expect(effectStore.shown).toBe(effectStore.effect);
});
test('a panel that is closed leaves nothing of what was tried out', () => {
  const pearl = newSolid('obj_pearl' as ObjectId, 'sphere', 0, headAnchor('crown'));
  const effectStore = openEffect({ ...blankEffect('Ring'), objects: { [pearl.id]: pearl } });
  useDeskStore().selected = pearl.id;
  const panel = mounted(SpreadPanel);
  expect(effectStore.shown).not.toBe(effectStore.effect);
  panel.unmount();
  expect(effectStore.shown).toBe(effectStore.effect);
  expect(effectStore.undoLabel).toBeNull();
});
