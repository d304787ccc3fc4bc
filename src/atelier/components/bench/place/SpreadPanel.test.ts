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
