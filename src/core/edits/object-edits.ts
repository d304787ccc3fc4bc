/** Edits of objects: adding, removing, placing, shaping, styling. */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import { freeName, withDescendants } from '../document/queries';
import {
  MOST_OBJECTS,
  type Card,
  type Effect,
  type EffectObject,
  type ObjectId,
  type ObjectKind,
} from '../document/schema';
import { IconiaError } from '../errors';
import { boundedMove, boundedScale, boundedTurn } from '../schema/limits';
import { propertiesOf } from '../kinds/objects/objects';
import type { placedSchema } from '../schema/placed-schema';
import { withValueAt } from '../schema/properties';
import { forget } from './forget';
import { hideDeletedParts } from './hidden-parts';

/** Throws `IconiaError` `effect.too-many-objects` when that many more do not fit into the effect. */
export const makeRoom = (effect: Pick<Effect, 'objects'>, more: number): void => {
  const there = Object.keys(effect.objects).length;
  if (there + more > MOST_OBJECTS)
    throw new IconiaError(
      'effect.too-many-objects',
      `An effect holds ${MOST_OBJECTS} objects; this one has ${there}, so ${more} more do not fit. Nothing was added.`,
    );
};

/** Adds an object, under a name that no other has. Throws where an effect holds no more objects. */
export const addObject = (object: EffectObject): Edit =>
  edit(`Add ${object.name}`, (d) => {
    makeRoom(d as Effect, 1);
    d.objects[object.id] = { ...object, name: freeName(d as Effect, object.name) } as Draft<EffectObject>;
  });

/** Removes objects with all that hangs in them; what named them says that something is to be chosen. */
export const removeObjects = (effect: Effect, ids: readonly ObjectId[]): Edit =>
  edit(`Delete ${objectWords(effect, ids)}`, (d) => {
    const gone = new Set(ids.flatMap((id) => withDescendants(effect, id).map((o) => o.id)));
    hideDeletedParts(d, effect, gone);
    for (const one of gone) delete d.objects[one];
    for (const { id, owner } of Object.values(effect.circuits))
      if (owner !== null && gone.has(owner)) delete d.circuits[id];
    forget(d, effect, 'objects', gone);
  });
/** Removes an object with all that hangs in it, as `removeObjects` does. */
export const removeObject = (effect: Effect, id: ObjectId): Edit => removeObjects(effect, [id]);

/** "Kelp", or "3 objects". */
export const objectWords = (effect: Effect, ids: readonly ObjectId[]): string =>
  ids.length === 1 ? (effect.objects[ids[0]!]?.name ?? 'object') : `${ids.length} objects`;

/** Fields that every kind of object has. */
export type Common = Partial<
  Pick<
    EffectObject,
    | 'name'
    | 'visible'
    | 'locked'
    | 'anchor'
    | 'scene'
    | 'parent'
    | 'order'
    | 'move'
    | 'turn'
    | 'scale'
    | 'pivot'
    | 'lookAt'
    | 'depthTest'
    | 'depthWrite'
    | 'touchArea'
    | 'byViewer'
  >
>;

/** Sets fields of several objects, each its own. Places and sizes are kept within sane bounds. */
export const changeObjects = (
  effect: Effect,
  changes: ReadonlyMap<ObjectId, Common>,
  label = 'Change',
): Edit =>
  edit(`${label} ${objectWords(effect, [...changes.keys()])}`, (d) => {
    for (const [id, change] of changes) {
      const object = d.objects[id];
      if (!object) continue;
      const { move, turn, scale, pivot } = change;
      Object.assign(object, change, {
        ...(move ? { move: boundedMove(move) } : {}),
        ...(turn ? { turn: boundedTurn(turn) } : {}),
        ...(scale ? { scale: boundedScale(scale) } : {}),
        ...(pivot ? { pivot: boundedMove(pivot) } : {}),
      });
    }
  });

/** Changes fields that objects of all kinds have; nothing where the object is gone. */
export const changeObject = (effect: Effect, id: ObjectId, change: Common, label = 'Change'): Edit =>
  changeObjects(effect, new Map([[id, change]]), label);

/** Sets fields that only this kind of object has. */
export const reshape = <K extends ObjectKind>(
  effect: Effect,
  id: ObjectId,
  kind: K,
  change: Partial<Omit<Extract<EffectObject, { kind: K }>, keyof typeof placedSchema | 'kind'>>,
  label = 'Change',
): Edit =>
  edit(`${label} ${effect.objects[id]?.name ?? 'object'}`, (d) => {
    const object = d.objects[id];
    if (object?.kind === kind) Object.assign(object, change);
  });

/** Sets one described property of an object, by its path in the document: `rate`, `wind.0`, `smooth.strength`. */
export const setProperty = (
  effect: Effect,
  id: ObjectId,
  path: string,
  to: unknown,
  label = 'Change',
): Edit => {
  const object = effect.objects[id];
  return edit(`${label} ${object?.name ?? 'object'}`, (d) => {
    if (!object || !d.objects[id] || !Object.hasOwn(propertiesOf(object), path)) return;
    const [key] = path.split('.');
    Object.assign(d.objects[id], { [key!]: (withValueAt(object, path, to) as never)[key!] });
  });
};

/** Changes how a card looks. Another picture makes it the creator's own: no longer a sample. */
export const styleCard = (
  effect: Effect,
  id: ObjectId,
  change: Partial<Pick<Card, 'opacity' | 'tint' | 'blend' | 'doubleSided' | 'asset' | 'extent'>>,
): Edit =>
  edit(`Style ${effect.objects[id]?.name ?? 'card'}`, (d) => {
    const object = d.objects[id];
    if (object?.kind === 'card') Object.assign(object, change);
    if (object && change.asset !== undefined) object.sample = false;
  });

/** Sets how cards, face layers and texts look; a text has no tint and no back. */
export const styleFlat = (
  effect: Effect,
  id: ObjectId,
  change: Partial<Pick<Card, 'tint' | 'blend' | 'doubleSided'>>,
): Edit =>
  edit(`Style ${effect.objects[id]?.name ?? 'object'}`, (d) => {
    const object = d.objects[id];
    if (!object) return;
    if (change.blend !== undefined && 'blend' in object) object.blend = change.blend;
    if (change.tint !== undefined && 'tint' in object) object.tint = change.tint;
    if (change.doubleSided !== undefined && 'doubleSided' in object) object.doubleSided = change.doubleSided;
  });

/** Sets how models and groups look. */
export const styleSolid = (
  effect: Effect,
  id: ObjectId,
  change: { opacity?: number; clip?: string | null },
): Edit =>
  edit(`Style ${effect.objects[id]?.name ?? 'object'}`, (d) => {
    const object = d.objects[id];
    if (change.opacity !== undefined && object && 'opacity' in object) object.opacity = change.opacity;
    if (change.clip !== undefined && object?.kind === 'model') object.clip = change.clip;
  });
