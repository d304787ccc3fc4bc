/** @jest-environment ./scripts/jest-page.mjs */
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { enableAutoUnmount, type VueWrapper } from '@vue/test-utils';
import { Select } from 'ant-design-vue';
import { nextTick } from 'vue';
import { blankEffect, newPicture } from '../../../core/document/defaults';
import { newCard } from '../../../core/kinds/objects/card';
import type { AssetId, FileRef, ObjectId } from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { mounted, openEffect, press, shown, typeInto } from '../testing';
import LibraryPanel from './LibraryPanel.vue';

/** An asset's tile, whatever else is written on it. */
const tile = (name: string): HTMLElement => shown('.tile', new RegExp(`^${name.replaceAll('.', '\\.')}`));
const pick = async (name: string, how: MouseEventInit = {}): Promise<void> => {
  tile(name).dispatchEvent(new MouseEvent('click', { bubbles: true, ...how }));
  await nextTick();
};

enableAutoUnmount(afterEach);

const CARD = 'obj_poster' as ObjectId;
const picture = (name: string, at: number) => {
  const file: FileRef = { sha256: String(at).padStart(64, '0'), mime: 'image/png', bytes: 1000 };
  return newPicture(`asset_${name.toLowerCase()}` as AssetId, `${name}.png`, file, 200, 120);
};
/** The library of an effect that shows the first of its pictures on a card. */
const open = (...names: string[]): VueWrapper => {
  const pictures = names.map(picture);
  openEffect({
    ...blankEffect('Library'),
    assets: Object.fromEntries(pictures.map((a) => [a.id, a])),
    objects: { [CARD]: newCard(CARD, pictures[0]!, 0) },
  });
  useDeskStore().openLibrary();
  return mounted(LibraryPanel);
};
const names = (): string[] =>
  Object.values(useEffectStore().effect.assets)
    .map((a) => a.name)
    .sort();
afterEach(() => useEffectStore().close());

describe('several names at once', () => {
  let panel: VueWrapper;
  beforeEach(async () => {
    panel = open('poster', 'kelp1', 'kelp2', 'Pearl');
    await typeInto('Find in the library', 'kelp');
    await pick('kelp1.png');
    await pick('kelp2.png', { shiftKey: true });
    await press(/^Rename/);
  });
  test('are seen before they are given, and are one step back', async () => {
    await typeInto('Find in names', 'kelp');
    await typeInto('Replace by', 'weed');
    await typeInto('Put before', 'crown_');
    expect(shown('table', 'What the names become').textContent).toContain('crown_weed2.png');
    expect(names()).toContain('kelp2.png');
    await press('Rename 2');
    expect(names()).toEqual(['Pearl.png', 'crown_weed1.png', 'crown_weed2.png', 'poster.png']);
    useEffectStore().undo();
    expect(names()).toEqual(['Pearl.png', 'kelp1.png', 'kelp2.png', 'poster.png']);
  });
  test('that come out as they were change nothing', async () => {
    await typeInto('Find in names', 'coral');
    expect(shown<HTMLButtonElement>('button', 'Nothing changes').disabled).toBe(true);
    expect(panel.findAll('tr.same')).toHaveLength(2);
  });
});

test('what is found is narrowed by what is typed', async () => {
  open('poster', 'kelp1', 'Pearl');
  await typeInto('Find in the library', 'kelp');
  expect(() => tile('Pearl.png')).toThrow();
  expect(tile('kelp1.png')).toBeDefined();
});

describe('deleting one that is shown', () => {
  const ask = async (...all: string[]): Promise<VueWrapper> => {
    const panel = open(...all);
    await pick('poster.png');
    await press('Delete');
    expect(shown('[role="alertdialog"]', 'Delete poster.png').textContent).toContain('is used by poster');
    return panel;
  };
  const card = () => useEffectStore().effect.objects[CARD];
  test('can put another in its place', async () => {
    const panel = await ask('poster', 'spare');
    const others = panel.findAllComponents(Select).find((s) => s.html().includes('Show another asset'));
    others!.vm.$emit('change', 'asset_spare');
    await nextTick();
    expect(names()).toEqual(['spare.png']);
    expect(card()).toMatchObject({ asset: 'asset_spare' });
  });
  test('takes along what shows it, or keeps the gaps; or nothing happens', async () => {
    await ask('poster');
    await press('Keep it');
    expect(names()).toEqual(['poster.png']);
    await press('Delete');
    await press('Delete it, keep the gaps');
    expect([names(), card()]).toMatchObject([[], { name: 'poster' }]);
    useEffectStore().undo();
    await nextTick();
    await pick('poster.png');
    await press('Delete');
    await press('Delete it and what shows it');
    expect([names(), card()]).toEqual([[], undefined]);
    useEffectStore().undo();
    expect(card()).toMatchObject({ asset: 'asset_poster' });
  });
});
