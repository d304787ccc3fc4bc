/** What an effect needs of a camera, known from its document: only what it needs is loaded. */
import { targetOrder } from '../core/document/queries';
import type { Asset, Effect } from '../core/document/schema';
import { faceCount } from '../core/requirements/face-count';
import { MOST_FACES, MOST_HANDS, SURFACE_KINDS, type SurfaceKind } from '../core/schema/anchor-schema';
import { requirementsOf } from '../core/requirements/requirements';
import type { Take } from '../core/takes/take';
import type { Sought } from '../core/tracking/compare';
import { MOST_PICTURES } from '../core/vision/picture-search';
import type { FrameNeeds } from './frame-trackers';
import type { Needs } from './live-input';
import type { SoughtPicture } from './picture-finder';

/** What an effect's printed pictures are known by, in their order; nothing where none is chosen. */
export const pictureKeys = (effect: Effect): string[] =>
  targetOrder(effect).map(({ asset }) => (asset && effect.assets[asset]?.files[0]?.sha256) || '');

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
    faces: needs.faces ? faceCount(effect) : 0,
    hands: needs.hands ? MOST_HANDS : 0,
    surfaces: SURFACE_KINDS.filter((kind) => needs.surfaces.has(kind)),
    people: needs.people,
    microphone: needs.microphone,
    pictures: pictures.slice(0, MOST_PICTURES),
  };
};

/** What trackers look for in a take. */
export interface TakeNeeds extends FrameNeeds {
  /** Their tracker is simulated: see `core/tracking/simulated-room-tracker.ts`. */
  readonly surfaces: readonly SurfaceKind[];
}

/**
 * Its people, the hands that it shows, and the printed pictures and the surfaces that the effect knows. A hand that holds a picture is
 * nothing that an effect waits for; and of a clip nobody knows the truth: what was tracked is all there is.
 */
export const takeNeeds = (
  { performers, marks, clip, spec: { pictures }, sceneAt }: Take,
  effect: Effect,
  load: (file: Asset['files'][number]) => Promise<Blob>,
): TakeNeeds => {
  const needs = cameraNeeds(effect, load);
  const there = clip ? [] : sceneAt(0).surfaces;
  return {
    faces: Math.min(MOST_FACES, performers.length),
    hands: pictures === null && !clip && marks.some(({ kind }) => kind === 'handShown') ? MOST_HANDS : 0,
    pictures: pictures === null ? [] : needs.pictures,
    surfaces: needs.surfaces.filter((kind) => there.some((surface) => surface.kind === kind)),
  };
};

/** Whether any of it is looked for in the picture. */
export const needsPicture = ({ faces, hands, pictures }: FrameNeeds): boolean =>
  faces > 0 || hands > 0 || pictures.length > 0;

/** What is looked for, as what was found is compared with the truth. */
export const soughtBy = ({ pictures, surfaces }: Pick<TakeNeeds, 'pictures' | 'surfaces'>): Sought => ({
  pictures: new Set(pictures.map(({ id }) => id)),
  surfaces: new Set(surfaces),
});
