/** Where what is brought in lands, with a reader and a server that answer as told. */
import { beforeEach, describe, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { blankEffect, newTarget } from '../../core/document/defaults';
import { sampleModel } from '../../core/document/sample-assets';
import type { Anchor, ModelObject, TargetId } from '../../core/document/schema';
import { changeTarget } from '../../core/edits/scene-edits';
import { SHIPPED_TAKES } from '../../core/takes/library';
import type { DropSpot } from '../intake/drop-spots';
import { result, type ReadResult } from '../../intake/drafts';
import {
  blankRecord,
  dropped,
  keep,
  pictureDraft,
  pictureFile,
  pretendBrowser,
  pretendReaderAndServer,
  reader,
} from './testing';

pretendBrowser();
await pretendReaderAndServer();
const { useImportsStore } = await import('./imports');
const { useEffectStore } = await import('./effect');
const { useDeskStore } = await import('./desk');
const { usePlaybackStore } = await import('./playback');
const { stackOrder } = await import('../../core/document/queries');
const FLOOR: Anchor = { kind: 'world', surface: 'floor' };

beforeEach(() => {
  setActivePinia(createPinia());
  useEffectStore().begin(blankRecord());
  reader.reset();
  keep.mockClear();
});
const bring = async (...names: string[]) => {
  const imports = useImportsStore();
  await imports.bringInFiles(names.map(dropped), { place: true });
  return imports;
};
const assetNames = () => Object.values(useEffectStore().effect.assets).map((a) => a.name);

describe('where it lands', () => {
  const objects = () => stackOrder(useEffectStore().effect);
  const model = (name: string): ReadResult =>
    result([{ ...pictureDraft(name), facts: { ...sampleModel(1) } as never }]);
  test('in a take without a face a picture stands on the floor, not on a forehead', async () => {
    usePlaybackStore().chooseTake(SHIPPED_TAKES.find((t) => t.id === 'walk-floor')!);
    reader.files.set('buoy.png', pictureFile('buoy.png'));
    await bring('buoy.png');
    expect(objects().map((o) => o.anchor)).toEqual([FLOOR]);
  });
  test('what the effect was begun for counts before the take; what is pointed at before both, and where', async () => {
    const effectStore = useEffectStore();
    effectStore.begin(blankRecord({ ...blankEffect(''), ground: { kind: 'backdrop' } }));
    reader.files.set('sea.png', pictureFile('sea.png')).set('buoy.png', pictureFile('buoy.png'));
    await bring('sea.png');
    expect(objects()[0]!.anchor).toEqual({ kind: 'backdrop' });
    await useImportsStore().bringInFiles([dropped('buoy.png')], {
      place: true,
      on: FLOOR,
      at: [0.3, 0, -1.2],
    });
    const [buoy] = objects();
    expect(buoy!.anchor).toEqual(FLOOR);
    expect([buoy!.move[0], buoy!.move[2]]).toEqual([0.3, -1.2]);
  });
  test('a field takes what it can show, in one step with the coming in; what else came is kept and says so', async () => {
    reader.files
      .set('one.png', pictureFile('one.png'))
      .set('two.png', pictureFile('two.png'))
      .set('lap.glb', model('lap.glb'));
    const effectStore = useEffectStore();
    const target = newTarget('target_t' as TargetId, 'Tide card', 0, null);
    effectStore.begin(blankRecord({ ...blankEffect(''), targets: { [target.id]: target } }));
    const spot: DropSpot = {
      kinds: ['picture'],
      says: '',
      put: ([one]) => void effectStore.edit(changeTarget(effectStore.effect, target.id, { asset: one!.id })),
    };
    const imports = useImportsStore();
    await imports.bringInFiles(['one.png', 'two.png', 'lap.glb'].map(dropped), { place: false, spot });
    const printed = effectStore.effect.targets[target.id]!.asset!;
    expect(effectStore.effect.assets[printed]!.name).toBe('one.png');
    expect(objects()).toEqual([]);
    expect(imports.items.map((i) => i.message)).toEqual([
      null,
      'One was enough there: this one is kept with the assets.',
      expect.stringContaining('does not go there'),
    ]);
    effectStore.undo();
    expect([assetNames(), effectStore.effect.targets[target.id]!.asset]).toEqual([[], null]);
  });
  test('maps dropped while a model is selected become its material, in one step, and no cards', async () => {
    reader.files.set('buoy.glb', model('buoy.glb'));
    await bring('buoy.glb');
    const before = useEffectStore().effect;
    const names = ['buoy_basecolor.png', 'buoy_normal.png', 'buoy_orm.png'];
    for (const name of names) reader.files.set(name, pictureFile(name));
    useDeskStore().selected = objects().find((o) => o.kind === 'model')!.id;
    const { items } = await bring(...names);
    expect(items[0]!.message).toMatch(/^Laid on shell-1: base colour \(buoy_basecolor\.png\)/);
    const { effect } = useEffectStore();
    expect(
      objects()
        .map((o) => o.kind)
        .sort(),
    ).toEqual(['model', 'occluder']);
    const [material] = Object.values(effect.materials);
    const mapped = (slot: keyof typeof material.maps) => {
      const source = material!.maps[slot];
      return source?.from === 'asset' ? effect.assets[source.asset]!.name : null;
    };
    expect(['base', 'normal', 'roughness'].map((slot) => mapped(slot as 'base'))).toEqual(names);
    expect((objects().find((o) => o.kind === 'model') as ModelObject).materials).toEqual({
      all: material!.id,
    });
    useEffectStore().undo();
    expect(useEffectStore().effect).toEqual(before);
  });
  test('two pictures of one size lie before each other, others side by side', async () => {
    reader.files.set('back.png', pictureFile('back.png')).set('front.png', pictureFile('front.png'));
    await bring('back.png', 'front.png');
    const [front, back] = objects();
    expect([front!.name, back!.name]).toEqual(['front', 'back']);
    expect(front!.move[2]).toBeGreaterThan(back!.move[2]);
    expect(front!.move[0]).toBe(back!.move[0]);
  });
  test('two numbered ones are offered as a sequence', async () => {
    reader.files
      .set('wink_1.png', pictureFile('wink_1.png'))
      .set('wink_2.png', pictureFile('wink_2.png'))
      .set('moon.png', pictureFile('moon.png'));
    const { items } = await bring('wink_1.png', 'wink_2.png', 'moon.png');
    const [one, two] = items.map((i) => i.assets[0]!);
    expect(items.map((i) => i.pair)).toEqual([null, [one, two], null]);
  });
  test('the report is of one effect', async () => {
    reader.files.set('fish.png', pictureFile('fish.png'));
    const imports = await bring('fish.png');
    imports.leave();
    expect(imports.items).toEqual([]);
  });
});
