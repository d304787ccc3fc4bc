/** Edits of several objects at once: the same field of all of them. */
import { edit, type Edit } from '../document/edit';
import type { BlendMode, Effect, ObjectId } from '../document/schema';
import { boundedScale } from '../schema/limits';
import { changeObjects, objectWords, setProperty, styleFlat } from './object-edits';

/** Sets one described property of all of them, by its path; those that have none of that name stay as they are. */
export const setPropertyOfAll = (effect: Effect, ids: readonly ObjectId[], path: string, to: unknown): Edit =>
  edit(`Change ${objectWords(effect, ids)}`, (d) => {
    for (const id of ids) setProperty(effect, id, path, to).change(d);
  });

/** Sets how large all of them are along an axis, 0 to 2: a factor on the size they were made with. What is mirrored stays mirrored. */
export const setScaleOfAll = (effect: Effect, ids: readonly ObjectId[], axis: number, factor: number): Edit =>
  changeObjects(
    effect,
    new Map(
      ids.flatMap((id) => {
        const object = effect.objects[id];
        if (!object) return [];
        const sign = object.scale[axis]! < 0 ? -1 : 1;
        const scale = object.scale.map((s, i) => (i === axis ? sign * factor : s));
        return [[id, { scale: boundedScale(scale as [number, number, number]) }] as const];
      }),
    ),
    'Size',
  );

/** How all of them blend with what is behind; what cannot blend stays as it is. */
export const setBlendOfAll = (effect: Effect, ids: readonly ObjectId[], blend: BlendMode): Edit =>
  edit(`Style ${objectWords(effect, ids)}`, (d) => {
    for (const id of ids) styleFlat(effect, id, { blend }).change(d);
  });
