/** @jest-environment ./scripts/jest-page.mjs */
/** A formula in a size field, as it is written there: of one object, and of all that are selected. */
import { afterEach, expect, test } from '@jest/globals';
import { enableAutoUnmount, flushPromises, type VueWrapper } from '@vue/test-utils';
import { blankEffect } from '../../../core/document/defaults';
import type { Drive, EffectObject, ObjectId } from '../../../core/document/schema';
import { FOREHEAD } from '../../../core/kinds/objects/placed';
import { newSolid } from '../../../core/kinds/objects/solid';
import { useEffectStore } from '../../stores/effect';
import { following, mounted, openEffect } from '../testing';
import PlaceFields from './PlaceFields.vue';
import SharedFields from './SharedFields.vue';

enableAutoUnmount(afterEach);
afterEach(() => useEffectStore().close());

const box = (id: string): EffectObject => newSolid(id as ObjectId, 'box', 0, FOREHEAD) as EffectObject;
const BOX = box('obj_boxx');
/** Types a formula into a field, and is done. */
const write = async (fields: VueWrapper, label: string, text: string): Promise<void> => {
  await fields.get(`input[aria-label="${label}"]`).setValue(`=${text}`);
  await flushPromises();
  await import('../../code/formula-editor');
  await flushPromises();
  [...document.querySelectorAll<HTMLElement>('.sheet button')]
    .findLast((b) => b.textContent?.trim() === 'Done')!
    .click();
  await flushPromises();
};
const drives = (): Drive[] => Object.values(useEffectStore().effect.drives);

test('a width in centimetres sizes the whole while the chain is closed, and that axis alone once it is open', async () => {
  openEffect({ ...blankEffect('Tide'), objects: { [BOX.id]: BOX } });
  const fields = mounted(PlaceFields, { object: BOX });
  await write(fields, 'Width, cm', '10 + time');
  const [drive] = drives();
  expect(drive).toMatchObject({
    signal: { kind: 'formula', text: '10 + time', unit: 'centimetres' },
    to: { kind: 'number', objects: [BOX.id], property: 'sizedByX' },
  });
  // A metre of it is so many times the box as it comes.
  expect(drive!.remap.to[1]).toBeGreaterThan(1);
  expect(fields.find('input[aria-label="Width, cm"]').exists()).toBe(false);
  expect(fields.text()).toContain('= 10 + time');
  await fields.get('button[aria-label="Width and height grow together"]').trigger('click');
  await write(fields, 'Height, cm', '5 + time');
  // The one that was there is still seen.
  expect(fields.text()).toContain('= 10 + time');
  expect(drives().map(({ to }) => 'property' in to && to.property)).toEqual(['sizedByX', 'scaleY']);
});

test('of all that are selected, in per cent', async () => {
  const other = { ...box('obj_othr'), order: 1 };
  openEffect({ ...blankEffect('Tide'), objects: { [BOX.id]: BOX, [other.id]: other } });
  const fields = mounted(SharedFields, { objects: [BOX, other] });
  await write(fields, 'Size y of all, per cent', '50 % + time / 100 s');
  expect(drives()[0]).toMatchObject({
    signal: { unit: 'percent' },
    to: { objects: [BOX.id, other.id], property: 'scaleY' },
    remap: { to: [0, 1], bounded: false },
  });
  // So can every number that they share.
  await write(fields, 'Turn z, degrees', 'time');
  expect(drives()[1]).toMatchObject({ to: { objects: [BOX.id, other.id], property: 'turnZ' } });
});

test('a sum is a size within the ends of the field', async () => {
  openEffect({ ...blankEffect('Tide'), objects: { [BOX.id]: BOX } });
  const now = (): EffectObject => useEffectStore().effect.objects[BOX.id]!;
  const fields = mounted(following(PlaceFields, () => ({ object: now() })));
  const before = now().scale[0];
  await write(fields, 'Width, cm', '2 * 6');
  expect(now().scale[0]).toBeGreaterThan(before);
  const large = now().scale[0];
  for (const none of ['0', '0 - 4']) {
    await write(fields, 'Width, cm', none);
    expect(now().scale.every((x) => x > 0)).toBe(true);
    expect(now().scale[0]).toBeLessThan(large / 100);
  }
  const both = mounted(following(SharedFields, () => ({ objects: [now()] })));
  await write(both, 'Size y of all, per cent', '0 - 50');
  expect(now().scale[1]).toBeGreaterThan(0);
});
