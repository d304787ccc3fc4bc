/**
 * What stands at the ends of a slider: a sign, a picture, an icon that ships.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, expect, jest, test } from '@jest/globals';
import { enableAutoUnmount, flushPromises } from '@vue/test-utils';
import { blankEffect } from '../../../../../core/document/defaults';
import { newControl } from '../../../../../core/document/new-cues';
import { bringIn } from '../../../../../core/edits/asset-edits';
import { sampleAsset } from '../../../../../core/document/sample';
import type { ControlId } from '../../../../../core/document/schema';
import { useStockStore } from '../../../../stores/stock';
import { mounted, openEffect } from '../../../testing';
import PictureChoice from '../../../common/PictureChoice.vue';
import ControlCard from './ControlCard.vue';

enableAutoUnmount(afterEach);

const WAVES = 'control_waves' as ControlId;
const openSlider = () => {
  const control = newControl(WAVES, 'slider', 'Waves', 0);
  const effectStore = openEffect({ ...blankEffect('Ends'), controls: { [WAVES]: control } });
  const card = mounted(ControlCard, { control });
  const ends = card.findAllComponents(PictureChoice);
  return { effectStore, card, ends };
};

test('an icon that ships comes in and stands at its end, as one step to undo', async () => {
  const { effectStore, ends } = openSlider();
  const moon = sampleAsset(1);
  jest.spyOn(useStockStore(), 'bringInOne').mockImplementation(async (id, step) => {
    expect(id).toBe('icons-moon');
    effectStore.edit(bringIn('Bring in Moon', [moon]), step);
    return moon.id;
  });
  ends[0]!.findComponent({ name: 'ChoiceField' }).vm.$emit('change', 'stock icons-moon');
  await flushPromises();
  expect(effectStore.effect.controls[WAVES]).toMatchObject({ lowIcon: moon.id, highIcon: null });
  effectStore.undo();
  expect(effectStore.effect.controls[WAVES]).toMatchObject({ lowIcon: null });
  expect(effectStore.effect.assets).toEqual({});
});

test('an icon that cannot be had changes nothing', async () => {
  const { effectStore, ends } = openSlider();
  jest.spyOn(useStockStore(), 'bringInOne').mockResolvedValue(null);
  ends[1]!.findComponent({ name: 'ChoiceField' }).vm.$emit('change', 'stock icons-sun');
  await flushPromises();
  expect(effectStore.effect.controls[WAVES]).toMatchObject({ highIcon: null });
});

test('no label holds two fields: a click on one of them would go to the other', () => {
  const { card } = openSlider();
  for (const label of card.findAll('label'))
    expect(label.findAll('input, textarea, button').length).toBeLessThan(2);
});
