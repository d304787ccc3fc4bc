/** Samples: what a starter came with, to be replaced by the creator's own. */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import { partsOf } from '../document/part-queries';
import { anchorOf, stackTree } from '../document/queries';
import { assetsOf } from '../kinds/objects/objects';
import type { Anchor, Effect, EffectObject, ObjectId } from '../document/schema';

/**
 * Whether a thing is artwork, to be replaced by the creator's own. What lights, hides, catches shadows or smooths skin is the ground that
 * artwork stands on, and is as useful to the next one.
 */
export const isArtwork = ({ kind }: EffectObject): boolean => !GROUND.has(kind);
const GROUND: ReadonlySet<EffectObject['kind']> = new Set([
  'light',
  'occluder',
  'shadowCatcher',
  'contactShadow',
  'retouch',
]);

/** Samples that wait to be replaced. */
export const samplesIn = (effect: Effect): EffectObject[] =>
  Object.values(effect.objects).filter((o) => o.sample && isArtwork(o));

/** Removes the artwork that came as a sample, and the assets that only it used. What it stood on stays, as the creator's own. */
export const clearSamples = (effect: Effect): Edit =>
  edit('Clear the samples', (d) => {
    const gone = new Set(samplesIn(effect).map((o) => o.id));
    // A part goes with its model.
    for (const id of [...gone]) for (const part of partsOf(effect, id)) gone.add(part.id);
    for (const object of Object.values(d.objects)) if (!gone.has(object.id)) object.sample = false;
    const tree = stackTree(effect);
    const assets = new Set<string>();
    for (const id of gone) {
      const object = effect.objects[id]!;
      for (const asset of assetsOf(object)) assets.add(asset);
      // What the creator has hung into a sample group stays, in its place.
      for (const child of tree.get(id) ?? [])
        if (!gone.has(child.id)) {
          d.objects[child.id]!.parent = null;
          d.objects[child.id]!.anchor = anchorOf(effect, child) as Draft<Anchor>;
        }
      delete d.objects[id];
    }
    for (const cue of Object.values(d.cues)) {
      for (const beat of cue.beats)
        beat.actions = beat.actions.filter((a) => {
          const had = a.targets.length;
          a.targets = a.targets.filter((t) => !gone.has(t as ObjectId));
          return had === 0 || a.targets.length > 0;
        });
      cue.beats = cue.beats.filter((beat) => beat.actions.length > 0);
      if (cue.beats.length === 0) delete d.cues[cue.id as keyof typeof d.cues];
    }
    const used = new Set<string>(Object.values(d.objects).flatMap((o) => assetsOf(o as EffectObject)));
    // A printed picture on which only samples lay is a sample itself: the creator prints another.
    const liesOn = (object: { anchor: Anchor }, id: string): boolean =>
      object.anchor.kind === 'picture' && object.anchor.target === id;
    for (const target of Object.values(d.targets)) {
      const hadSamples = [...gone].some((id) => liesOn(effect.objects[id]!, target.id));
      const isKept = Object.values(d.objects).some((o) => liesOn(o as EffectObject, target.id));
      if (target.asset && hadSamples && !isKept) assets.add(target.asset);
      if (target.asset && assets.has(target.asset)) target.asset = null;
    }
    for (const id of assets)
      if (!used.has(id) && d.listing.icon !== id) delete d.assets[id as keyof typeof d.assets];
  });
