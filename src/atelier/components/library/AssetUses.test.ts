/**
 * Who uses an asset, and where a click on it leads.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, expect, test } from '@jest/globals';
import { enableAutoUnmount, flushPromises } from '@vue/test-utils';
import { createMemoryHistory, createRouter } from 'vue-router';
import { blankEffect } from '../../../core/document/defaults';
import { newControl } from '../../../core/document/new-cues';
import { newMaterial } from '../../../core/document/new-material';
import { sampleAsset } from '../../../core/document/sample';
import type { ControlId, LookId, MaterialId, ObjectId, TargetId } from '../../../core/document/schema';
import { newCard } from '../../../core/kinds/objects/card';
import { newIris } from '../../../core/kinds/objects/iris';
import { useDeskStore } from '../../stores/desk';
import { mounted, openEffect, press } from '../testing';
import AssetUses from './AssetUses.vue';

enableAutoUnmount(afterEach);

const picture = sampleAsset(1);
const CARD = 'obj_card' as ObjectId;
const PEARL = 'material_pearl' as MaterialId;
const LOOK = 'look_tide' as LookId;
const POSTER = 'target_poster' as TargetId;
const WAVES = 'control_waves' as ControlId;
const effect = () => {
  const blank = blankEffect('Uses');
  const waves = newControl(WAVES, 'slider', 'Waves', 0);
  return {
    ...blank,
    assets: { [picture.id]: picture },
    objects: { [CARD]: { ...newCard(CARD, picture, 0), name: 'Shell' } },
    materials: {
      [PEARL]: {
        ...newMaterial(PEARL, 'Pearl'),
        maps: { ...newMaterial(PEARL, 'Pearl').maps, glow: { from: 'asset', asset: picture.id } as const },
      },
    },
    looks: {
      [LOOK]: {
        id: LOOK,
        name: 'Tide',
        order: 0,
        layers: [],
        extras: [{ ...newIris('obj_iris' as ObjectId, 0), asset: picture.id }],
      },
    },
    targets: {
      [POSTER]: {
        id: POSTER,
        name: 'Poster',
        order: 0,
        asset: picture.id,
        width: 0.4,
        beforeFound: 'nothing',
        afterLost: 'nothing',
      } as const,
    },
    controls: { [WAVES]: waves.kind === 'slider' ? { ...waves, lowIcon: picture.id } : waves },
    listing: { ...blank.listing, icon: picture.id },
  };
};
const open = async (stage: string) => {
  openEffect(effect());
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/effect/:id/:stage', name: 'atelier', component: AssetUses }],
  });
  await router.push(`/effect/test/${stage}`);
  mounted(AssetUses, { asset: picture }, [router]);
  return router;
};

test.each([
  ['Shell', 'place', 'place'],
  ['Shell', 'release', 'place'],
  ['Pearl', 'place', 'style'],
  ['the look Tide', 'place', 'style'],
  ['Poster', 'style', 'place'],
  ['Waves', 'place', 'behave'],
  ['the icon', 'place', 'release'],
])('%s, from %s, leads to %s', async (name, from, to) => {
  const router = await open(from);
  await press(name);
  await flushPromises();
  expect(router.currentRoute.value.params).toEqual({ id: 'test', stage: to });
});

test('what it leads to is open there', async () => {
  await open('place');
  const desk = useDeskStore();
  await press('Waves');
  expect(desk.behave.section).toBe('viewer');
  await press('Pearl');
  expect([desk.style.section, desk.style.material]).toEqual(['material', PEARL]);
  await press('Shell');
  expect(desk.selected).toBe(CARD);
});
