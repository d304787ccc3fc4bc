/** @jest-environment ./scripts/jest-page.mjs */
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { enableAutoUnmount } from '@vue/test-utils';
import { blankEffect } from '../../../core/document/defaults';
import { addObject } from '../../../core/edits/object-edits';
import { newText } from '../../../core/kinds/objects/text';
import { newSolid } from '../../../core/kinds/objects/solid';
import type { ObjectId, Solid } from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { mounted, openEffect } from '../testing';
import ManySelected from './ManySelected.vue';

enableAutoUnmount(afterEach);
const IDS = ['obj_bead1', 'obj_bead2', 'obj_bead3'] as ObjectId[];
const solids = (): Solid[] => IDS.map((id) => useEffectStore().effect.objects[id] as Solid);
beforeEach(() => {
  const beads = IDS.map((id, i) => ({
    ...newSolid(id, 'sphere', i),
    move: [i / 100, 0, 0] as [number, number, number],
    roughness: i === 2 ? 0.9 : 0.5,
  }));
  openEffect({ ...blankEffect('Beads'), objects: Object.fromEntries(beads.map((b) => [b.id, b])) });
  useDeskStore().selection = IDS;
});
afterEach(() => useEffectStore().close());

test('where they differ it says so, and what is typed is set for all in one step', async () => {
  const panel = mounted(ManySelected);
  const field = (name: string) => panel.get(`input[aria-label="${name}"]`);
  const read = (name: string): string => (field(name).element as HTMLInputElement).value;
  expect(read('Move x, cm')).toBe('');
  expect(field('Move x, cm').attributes()).toMatchObject({ placeholder: 'mixed', 'aria-valuetext': 'mixed' });
  expect(read('Move y, cm')).toBe('0');
  // Nothing is lost while it is typed, nor when it is taken back.
  await field('Move x, cm').setValue('5');
  expect(solids().map((o) => o.move[0])).toEqual([0, 0.01, 0.02]);
  await field('Move x, cm').trigger('keydown', { key: 'Escape' });
  expect(solids().map((o) => o.move[0])).toEqual([0, 0.01, 0.02]);
  await field('Move x, cm').setValue('5');
  await field('Move x, cm').trigger('keydown', { key: 'Enter' });
  expect(solids().map((o) => o.move[0])).toEqual([0.05, 0.05, 0.05]);
  await field('Size y of all, per cent').setValue('150');
  await field('Size y of all, per cent').trigger('keydown', { key: 'Enter' });
  expect(solids().map((o) => o.scale)).toEqual([
    [1, 1.5, 1],
    [1, 1.5, 1],
    [1, 1.5, 1],
  ]);
  await field('Roughness, per cent').setValue('20');
  await field('Roughness, per cent').trigger('keydown', { key: 'Enter' });
  expect(solids().map((o) => o.roughness)).toEqual([0.2, 0.2, 0.2]);
  useEffectStore().undo();
  expect(solids().map((o) => o.roughness)).toEqual([0.5, 0.5, 0.9]);
});
test('a field that one of them lacks is not there', () => {
  expect(mounted(ManySelected).text()).toContain('Roughness');
  const store = useEffectStore();
  const text = { ...newText('obj_words' as ObjectId, 'Low tide', 9) };
  store.edit(addObject(text));
  useDeskStore().selection = [...IDS, text.id];
  const both = mounted(ManySelected);
  expect(both.text()).not.toContain('Roughness');
  expect(both.find('input[aria-label="Opacity, per cent"]').exists()).toBe(true);
});
test('a drive that is made with several selected drives all of them', async () => {
  const { default: ViewerPanel } = await import('../bench/behave/viewer/ViewerPanel.vue');
  const panel = mounted(ViewerPanel);
  await panel
    .findAll('button')
    .find((b) => b.text() === '+ Drive')!
    .trigger('click');
  const [drive] = Object.values(useEffectStore().effect.drives);
  expect(drive!.to).toEqual({ kind: 'number', objects: IDS, property: 'size' });
});
