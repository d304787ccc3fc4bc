/** Edits that copy: duplicates, copies for another face or the other side, spreads. Copies may share cues. */
import type { Draft } from 'immer';
import { IconiaError } from '../errors';
import { boundedMove, boundedScale, boundedTurn } from '../schema/limits';
import { mirrored, mirroredAnchor } from '../placing/mirror';
import { restOf } from '../placing/rest';
import { copiesOf, type Spread } from '../placing/spread';
import { kindOf } from '../kinds/objects/objects';
import { newGroup } from '../kinds/objects/group';
import { copyCircuits } from './circuit-edits';
import { copiedCue } from './cue-edits';
import { makeRoom, objectWords } from './object-edits';
import { edit, type Edit } from '../document/edit';
import { makeMaterialsOwn } from './material-edits';
import {
  anchorOf,
  freeName,
  freeNames,
  orderBetween,
  outermost,
  parentOf,
  sceneOf,
  stackTree,
  withDescendants,
} from '../document/queries';
import {
  MOST_CUES,
  MOST_TARGETS,
  type Action,
  type Anchor,
  type Cue,
  type CueId,
  type Effect,
  type EffectObject,
  type FaceChoice,
  type Group,
  type ObjectId,
} from '../document/schema';
import { outermostOf, transplanted } from './stack-edits';
import { cutText } from '../text';

/**
 * What happens to a copy: `shared` lets the cues of the original act on it too, `own` gives it cues of its own,
 * `none` leaves it alone.
 */
export type CuesOfCopy = 'shared' | 'own' | 'none';
/** Whether a copy wears the materials of its original, or copies of them. */
export type MaterialsOfCopy = 'shared' | 'own';

/** Fountains of one seed would all throw the same: the nth copy has another. */
const ownSeed = (object: EffectObject, n: number): { seed?: number } =>
  object.kind === 'fountain' ? { seed: (object.seed + n) % 65_536 } : {};

const copyCues = (
  d: Draft<Effect>,
  copies: ReadonlyMap<ObjectId, ObjectId>,
  cues: CuesOfCopy,
  newId: (prefix: string) => string,
): void => {
  if (cues === 'none') return;
  for (const drafted of Object.values(d.cues)) {
    const cue = drafted as unknown as Cue;
    const aims = (action: Action): boolean => action.targets.some((t) => copies.has(t));
    if (!cue.beats.some((beat) => beat.actions.some(aims))) continue;
    if (cues === 'shared')
      for (const beat of drafted.beats)
        for (const action of beat.actions) {
          const more = action.targets.flatMap((t) => copies.get(t as ObjectId) ?? []);
          if (action.targets.length + more.length > MOST_TARGETS)
            throw new IconiaError(
              'effect.too-many-targets',
              `The cue ${cue.name || 'that acts on it'} would act on more than ${MOST_TARGETS} objects at once. Copy without cues instead; nothing was added.`,
            );
          action.targets.push(...more);
        }
    else {
      if (Object.keys(d.cues).length >= MOST_CUES)
        throw new IconiaError(
          'effect.too-many-cues',
          `An effect holds ${MOST_CUES} cues. Copy without cues instead; nothing was added.`,
        );
      const id = newId('cue') as CueId;
      const own = {
        ...cue,
        beats: cue.beats.map((beat) => ({
          ...beat,
          actions: beat.actions.filter(aims).map((a) => ({
            ...a,
            targets: a.targets.filter((t) => copies.has(t)),
          })),
        })),
      };
      d.cues[id] = copiedCue(own, id, cue.order + 0.5, newId, copies) as Draft<Cue>;
    }
  }
};

/** Throws `IconiaError` `part.once`: a model has each of its parts once. */
const refuseParts = (objects: readonly EffectObject[]): void => {
  const part = objects.find((o) => kindOf(o).isPart);
  if (part)
    throw new IconiaError(
      'part.once',
      `${part.name} is a part of a model, and a model has each part once. Copy the model instead; nothing was added.`,
    );
};

/**
 * Copies objects, with all that hangs in them, each just above its original. `newId` makes ids with a prefix. The copies'
 * ids are put into `made`, by original.
 */
export const duplicateObjects = (
  effect: Effect,
  ids: readonly ObjectId[],
  newId: (prefix: string) => string,
  cues: CuesOfCopy = 'shared',
  made: Map<ObjectId, ObjectId> = new Map(),
  materials: MaterialsOfCopy = 'shared',
): Edit =>
  edit(`Duplicate ${objectWords(effect, ids)}`, (d) => {
    const originals = outermostOf(effect, ids);
    refuseParts(originals);
    const families = originals.map((o) => withDescendants(effect, o.id));
    makeRoom(
      effect,
      families.reduce((n, f) => n + f.length, 0),
    );
    const tree = stackTree(effect);
    const nameFor = freeNames(effect);
    for (const family of families)
      for (const object of family) if (!made.has(object.id)) made.set(object.id, newId('obj') as ObjectId);
    originals.forEach((original, n) => {
      const siblings = tree.get(parentOf(effect, original)?.id ?? null)!;
      const above = siblings[siblings.findIndex((o) => o.id === original.id) - 1];
      const order = above ? orderBetween(above.order, original.order) : original.order - 1;
      for (const object of families[n]!)
        d.objects[made.get(object.id)!] = {
          ...object,
          ...ownSeed(object, 1),
          id: made.get(object.id)!,
          name: nameFor(object.name),
          ...(object === original ? { order } : { parent: made.get(object.parent!)! }),
          // Copied together with what limits it, it is limited by the copy.
          ...('maskedBy' in object && object.maskedBy !== null
            ? { maskedBy: made.get(object.maskedBy) ?? object.maskedBy }
            : {}),
        } as Draft<EffectObject>;
    });
    if (materials === 'own') makeMaterialsOwn(effect, [...made.values()], newId).change(d);
    copyCues(d, made, cues, newId);
    copyCircuits(d, made, newId);
  });

/** Copies what is on a face to another one: the same point of it, the same pose. */
export const copyToFace = (
  effect: Effect,
  ids: readonly ObjectId[],
  face: FaceChoice,
  newId: (prefix: string) => string,
  made: Map<ObjectId, ObjectId> = new Map(),
): Edit =>
  edit(`Copy ${objectWords(effect, ids)} to face ${face}`, (d) => {
    duplicateObjects(effect, ids, newId, 'shared', made).change(d);
    const rest = restOf(effect);
    for (const original of outermostOf(effect, ids)) {
      const copy = d.objects[made.get(original.id)!]!;
      const anchor = anchorOf(effect, original);
      if (anchor.kind !== 'head' && anchor.kind !== 'skin') continue;
      // What hung in a group of the first face hangs in none on the second, and is placed as it was seen.
      if (parentOf(effect, original)) {
        Object.assign(copy, transplanted(effect, rest, original, null, anchor));
        copy.scene = sceneOf(effect, original);
        copy.order = outermost(effect, original).order - 0.5;
      }
      copy.parent = null;
      copy.anchor = { ...anchor, face } as Draft<Anchor>;
    }
  });

/** Mirrors objects from left to right; the anchor changes sides with them. */
export const mirrorObjects = (effect: Effect, ids: readonly ObjectId[]): Edit =>
  edit(`Mirror ${objectWords(effect, ids)}`, (d) => {
    for (const object of outermostOf(effect, ids)) {
      const { move, turn, scale } = mirrored(object);
      Object.assign(d.objects[object.id]!, { move: [...move], turn: [...turn], scale: [...scale] });
      if (!parentOf(effect, object))
        d.objects[object.id]!.anchor = mirroredAnchor(object.anchor) as Draft<Anchor>;
    }
  });

/** Copies objects to the other side. */
export const mirrorCopy = (
  effect: Effect,
  ids: readonly ObjectId[],
  newId: (prefix: string) => string,
  made: Map<ObjectId, ObjectId> = new Map(),
): Edit =>
  edit(`Mirror a copy of ${objectWords(effect, ids)}`, (d) => {
    duplicateObjects(effect, ids, newId, 'shared', made).change(d);
    const copied = d as Effect;
    mirrorObjects(
      structuredCopy(copied),
      outermostOf(effect, ids).map((o) => made.get(o.id)!),
    ).change(d);
  });
/** A plain copy of the draft as it is now: queries walk it often. */
const structuredCopy = (effect: Effect): Effect => JSON.parse(JSON.stringify(effect)) as Effect;

/**
 * Where the group of a spread is: on a head in the middle of it for what goes around, else where the object was.
 * Core spreads in its space; whoever gives a surface gives it in the same.
 */
export const spreadGroup = (
  effect: Effect,
  object: EffectObject,
  shape: Spread['shape']['kind'],
  groupId: ObjectId,
): Group => {
  const parent = parentOf(effect, object);
  const anchor = anchorOf(effect, object);
  const around = !parent && anchor.kind === 'head' && (shape === 'ring' || shape === 'surface');
  const home: Anchor = around ? { ...anchor, point: 'headCentre' } : anchor;
  return {
    ...newGroup(groupId, freeName(effect, `${cutText(object.name, 60)} ${shape}`), object.order, home),
    parent: parent?.id ?? null,
    scene: object.scene,
    move: around ? [0, 0, 0] : [...object.move],
    turn: [0, 0, 0],
  };
};

/**
 * Spreads an object: a group of copies in its place, the object itself among them as the first. On a head the group
 * sits in the middle of it; else where the object was.
 */
export const spreadObject = (
  effect: Effect,
  id: ObjectId,
  spread: Spread,
  newId: (prefix: string) => string,
  groupId: ObjectId,
): Edit =>
  edit(`Spread ${effect.objects[id]?.name ?? 'object'}`, (d) => {
    const object = effect.objects[id];
    if (!object) return;
    refuseParts([object]);
    const family = withDescendants(effect, id);
    makeRoom(effect, family.length * (spread.count - 1) + 1);
    const group = spreadGroup(effect, object, spread.shape.kind, groupId);
    const nameFor = freeNames(effect);
    d.objects[groupId] = group as Draft<EffectObject>;
    const places = copiesOf(spread, object);
    places.forEach((place, i) => {
      const ids = new Map(family.map((o) => [o.id, i === 0 ? o.id : (newId('obj') as ObjectId)]));
      for (const member of family) {
        const own = effect.objects[member.id]!;
        const delayed =
          'startDelay' in own ? { startDelay: Math.min(600, own.startDelay + place.delay) } : {};
        d.objects[ids.get(member.id)!] = {
          ...own,
          ...delayed,
          ...ownSeed(own, i),
          id: ids.get(member.id)!,
          ...(i === 0 ? {} : { name: nameFor(own.name) }),
          ...(member.id === id
            ? {
                parent: groupId,
                anchor: group.anchor,
                order: i,
                move: boundedMove(place.move),
                turn: boundedTurn(place.turn),
                scale: boundedScale(place.scale),
              }
            : { parent: ids.get(own.parent!)! }),
        } as Draft<EffectObject>;
      }
      if (i > 0) {
        copyCues(d, ids, 'shared', newId);
        copyCircuits(d, ids, newId);
      }
    });
  });
