/** Scenes, printed pictures and samples come and go. */
import { describe, expect, test } from '@jest/globals';
import { id } from '../placing/testing';
import { newCue } from '../document/new-cues';
import { newAction } from '../kinds/actions/actions';
import { newGroup } from '../kinds/objects/group';
import { changeObject } from './object-edits';
import { removeAssets } from './asset-edits';
import { showOn } from './show-on';
import { usesOf } from '../document/asset-uses';
import { sampleAsset, sampleEffect } from '../document/sample';
import { addScene, addTarget, changeScene, openWith, removeScene, removeTarget } from './scene-edits';
import type { CueId, Effect, ObjectId, SceneId, TargetId } from '../document/schema';
import { stackRows } from '../document/stack-rows';
import { clearSamples } from './sample-edits';
import { stickTo } from './stack-edits';

import { after, idsInTurn, namesOf, three } from './testing';

describe('scenes', () => {
  const newScene = (): (() => SceneId) => {
    const make = idsInTurn();
    return () => make('scene') as SceneId;
  };
  test('the first time there are two, and what was there is in the opening scene', () => {
    const before = three();
    const made: SceneId[] = [];
    const effect = after(before, addScene(before, newScene(), made));
    expect(Object.values(effect.scenes).map((s) => s.name)).toEqual(['Scene 1', 'Scene 2']);
    expect(new Set(Object.values(effect.objects).map((o) => o.scene))).toEqual(
      new Set([effect.openingScene]),
    );
    expect(stackRows(effect, { scene: made[0]! }).filter((r) => r.kind === 'object')).toEqual([]);
    const other = after(after(effect, openWith(made[0]!)), changeScene(made[0]!, { name: 'Deep' }));
    expect(other.openingScene).toBe(made[0]);
    expect(other.scenes[made[0]!]!.name).toBe('Deep');
  });
  test('removing one takes what is only in it; the last one left is the whole effect again', () => {
    const before = three();
    const made: SceneId[] = [];
    let effect = after(before, addScene(before, newScene(), made));
    effect = after(effect, changeObject(effect, id('cccc'), { scene: made[0]! }));
    effect = after(effect, changeObject(effect, id('bbbb'), { scene: null }));
    effect = after(effect, removeScene(effect, made[0]!));
    expect(namesOf(effect)).toEqual(['aaaa', 'bbbb']);
    expect(effect).toMatchObject({ scenes: {}, openingScene: null });
    expect(Object.values(effect.objects).map((o) => o.scene)).toEqual([null, null]);
  });
});

describe('printed pictures', () => {
  test('come and go with what lies on them; their picture counts as used', () => {
    const asset = sampleAsset(4);
    const before = { ...three(), assets: { [asset.id]: asset } } as Effect;
    const target = 'target_card' as TargetId;
    let effect = after(before, addTarget(before, target, 'Card', asset.id));
    expect(usesOf(effect, asset.id)).toEqual([{ in: 'targets', id: target, name: 'Card' }]);
    effect = after(effect, stickTo(effect, [id('aaaa')], { kind: 'picture', target }));
    effect = after(effect, removeAssets(effect, [asset.id]));
    expect(effect.targets[target]!.asset).toBeNull();
    effect = after(effect, removeTarget(effect, target));
    expect(namesOf(effect)).toEqual(['bbbb', 'cccc']);
  });
});

describe('samples', () => {
  test('one action clears them with their assets and cues; what the creator added stays', () => {
    const before = sampleEffect(2, 0);
    const [first, second] = ['obj_sample0', 'obj_sample1'] as ObjectId[];
    const group = { ...newGroup(id('group'), 'G', 5), sample: true };
    before.objects[group.id] = group;
    before.objects[first!]!.sample = true;
    Object.assign(before.objects[second!]!, { parent: group.id });
    before.cues['cue_own' as CueId] = newCue('cue_own' as CueId, 'mouthOpens', 0, [
      { id: 'beat_one', actions: [newAction('act_one', 'show', first!)] },
    ]);
    const effect = after(before, clearSamples(before));
    expect(Object.keys(effect.objects)).toEqual([second]);
    expect(effect.objects[second!]!.parent).toBeNull();
    expect(Object.keys(effect.assets)).toEqual(['asset_sample1']);
    expect(effect.cues).toEqual({});
  });
  test('what shows the creator’s own picture is no sample any more', () => {
    const before = sampleEffect(2, 0);
    const first = 'obj_sample0' as ObjectId;
    before.objects[first]!.sample = true;
    const effect = after(before, showOn(before, first, sampleAsset(1)));
    expect(effect.objects[first]!.sample).toBe(false);
  });
});
