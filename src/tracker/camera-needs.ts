/** What an effect needs of a camera, known from its document: only what it needs is loaded. */
import { anchorOf, targetOrder } from '../core/document/queries';
import type { Asset, Effect } from '../core/document/schema';
import { requirementsOf } from '../core/requirements/requirements';
import { MOST_PICTURES } from '../core/vision/picture-search';
import { MOST_FACES } from '../core/tracking/identities';
import type { Needs } from './live-input';
import type { SoughtPicture } from './picture-finder';

/** How many faces are looked for: as many as the effect tells apart, all of them where it is for any or every one. */
const facesOf = (effect: Effect): number =>
  Math.max(
    1,
    ...Object.values(effect.objects).map((object) => {
      const anchor = anchorOf(effect, object);
      if (!('face' in anchor)) return 1;
      return typeof anchor.face === 'number' ? anchor.face : MOST_FACES;
    }),
  );

/** `load` gives the bytes of a file of the effect. Printed pictures that have none chosen cannot be looked for. */
export const cameraNeeds = (effect: Effect, load: (file: Asset['files'][number]) => Promise<Blob>): Needs => {
  const needs = requirementsOf(effect);
  const pictures = targetOrder(effect).flatMap((target, i): SoughtPicture[] => {
    const asset = target.asset ? effect.assets[target.asset] : undefined;
    if (!needs.pictures.has(target.id) || asset?.kind !== 'picture') return [];
    const [file] = asset.files;
    return [{ id: i + 1, name: target.name, key: file!.sha256, load: () => load(file!) }];
  });
  return {
    faces: needs.faces ? facesOf(effect) : 0,
    people: needs.people,
    microphone: needs.microphone,
    pictures: pictures.slice(0, MOST_PICTURES),
  };
};
