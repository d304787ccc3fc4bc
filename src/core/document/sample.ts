/** A small document for tests and the bench: made by rule, no chance in it. */
import { READY_NAMES } from '../kinds/triggers/ready-triggers';
import { blankEffect, newPicture } from './defaults';
import { newCue } from './new-cues';
import { newAction } from '../kinds/actions/actions';
import { newCard } from '../kinds/objects/card';
import {
  ACTION_KINDS,
  type FileRef,
  type PictureAsset,
  type AssetId,
  type CueId,
  type Effect,
  type ObjectId,
} from './schema';

/** A file that nobody has; `n` tells several apart. */
export const sampleFile = (n: number): FileRef => ({
  sha256: n.toString(16).padStart(64, '0'),
  mime: 'image/png',
  bytes: 1000 + n,
});

/** A picture of a shell; `n` tells several apart. */
export const sampleAsset = (n: number): PictureAsset =>
  newPicture(`asset_sample${n}` as AssetId, `shell-${n}.png`, sampleFile(n), 400, 200);

/** `objects` cards on one picture each, `cues` cues that go through all triggers and actions. */
export const sampleEffect = (objects: number, cues: number): Effect => {
  const effect = blankEffect('Sample');
  for (let i = 0; i < objects; i++) {
    const asset = sampleAsset(i);
    effect.assets[asset.id] = asset;
    const id = `obj_sample${i}` as ObjectId;
    effect.objects[id] = { ...newCard(id, asset, i), name: `Shell ${i}` };
  }
  for (let i = 0; i < cues; i++) {
    const id = `cue_sample${i}` as CueId;
    const target = objects > 0 ? (`obj_sample${i % objects}` as ObjectId) : null;
    effect.cues[id] = newCue(id, READY_NAMES[i % READY_NAMES.length]!, i, [
      {
        id: `beat_first${i}`,
        actions: ACTION_KINDS.map((kind, k) => ({
          ...newAction(`act_sample${i}x${k}`, kind, target),
          repeat: (i + k) % 3,
          thereAndBack: k % 2 === 0,
        })),
      },
      { id: `beat_second${i}`, actions: [newAction(`act_sample${i}b`, 'show', target)] },
    ]);
  }
  return effect;
};
