/** What an effect needs of a camera, known from its document: only what it needs is loaded. */
import { targetOrder } from '../core/document/queries';
import type { Effect, FileRef } from '../core/document/schema';
import { faceCount } from '../core/requirements/face-count';
import { MOST_FACES, MOST_HANDS, SURFACE_KINDS, type SurfaceKind } from '../core/schema/anchor-schema';
import { requirementsOf } from '../core/requirements/requirements';
import { soughtPictures } from '../core/requirements/sought-pictures';
import type { Take } from '../core/takes/take';
import type { Sought } from '../core/tracking/compare';
import type { FrameNeeds } from './frame-trackers';
import type { Needs } from './live-input';
import type { SoughtPicture } from './picture-finder';

/** What an effect's printed pictures are known by, in their order; nothing where none is chosen. */
export const pictureKeys = (effect: Effect): string[] =>
  targetOrder(effect).map(({ asset }) => (asset && effect.assets[asset]?.files[0]?.sha256) || '');

/** `load` gives the bytes of a file of the effect; `targets` what its printed pictures are found by, where that was made before, by the content of what is printed. */
export const cameraNeeds = (
  effect: Effect,
  load: (file: FileRef) => Promise<Blob>,
  targets: ReadonlyMap<string, Uint8Array> = new Map(),
): Needs => {
  const needs = requirementsOf(effect);
  const pictures = soughtPictures(effect).map(({ number, target, file }): SoughtPicture => ({
    id: number,
    name: target.name,
    key: file.sha256,
    load: () => load(file),
    made: targets.get(file.sha256) ?? null,
  }));
  return {
    faces: needs.faces ? faceCount(effect) : 0,
    hands: needs.hands ? MOST_HANDS : 0,
    surfaces: SURFACE_KINDS.filter((kind) => needs.surfaces.has(kind)),
    people: needs.people,
    microphone: needs.microphone,
    colours: needs.colours,
    pictures,
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
  load: (file: FileRef) => Promise<Blob>,
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
