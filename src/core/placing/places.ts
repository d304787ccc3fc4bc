/** Where every object of an effect is at an instant, in world or screen space. */
import { isIn, type Program } from '../program/program';
import { pivotOf } from '../kinds/numbers';
import type { Values } from '../kinds/values';
import type { ObjectId } from '../document/schema';
import { isOnFace, kindOf } from '../kinds/objects/objects';
import { isHandOccluder } from '../kinds/objects/occluder';
import {
  fromPose,
  IDENTITY_MATRIX,
  invertMatrix,
  multiplyMatrices,
  translation,
  type Matrix,
} from '../maths/matrix';
import type { TrackedFace, TrackedHand } from '../tracking/track-frame';
import type { Unit } from '../units';
import { anchorPlaces, layeringOf, type AnchorPlace, type Here, type Layering } from './anchors';
import { fitMatrix, fitOf } from './fit';
import { localMatrix, lookingAt, UNTOUCHED, upAxis, type ByHand } from './local';

/** One object at one of its places. On *every face* an object has a place for each. */
export interface Place {
  readonly instance: number;
  /** From the object's own space to world space, or to the screen's. */
  readonly matrix: Matrix;
  readonly face: TrackedFace | null;
  readonly hand: TrackedHand | null;
  /** Its own and that of the groups it hangs in. */
  readonly opacity: Unit;
}

export interface ObjectPlaces {
  readonly places: readonly Place[];
  readonly layering: Layering;
}

/** From the space of what an object hangs in to the one it is placed in: a part of a model begins where it is in the model. */
export const within = (program: Program, i: number, base: Matrix): Matrix => {
  const origin = program.origins[i];
  return origin ? multiplyMatrices(base, translation(origin)) : base;
};

/** What is asked about the state of an effect; the runtime answers, and so does whoever shows it at rest. */
export interface StateNow {
  values(i: number): Readonly<Values>;
  byHand(i: number): ByHand | null;
  /** The scene that is on. */
  readonly scene: string | null;
}

const NOWHERE: readonly Place[] = [];
/** How an object that a cue keeps turned to the viewer looks at it. */
const FACING = { front: '+z', about: 'any' } as const;

/** The places of all objects of the program, in its order. What is hidden has none. */
export const placesOf = (program: Program, state: StateNow, here: Here): ObjectPlaces[] => {
  const eye = here.frame.camera.pose.position;
  const all: ObjectPlaces[] = [];
  const found = new Map<string, AnchorPlace[]>();
  program.objects.forEach((object, i) => {
    const parent = program.parents[i]!;
    const anchor = program.anchors[i]!;
    const layering = layeringOf(anchor.kind);
    const values = state.values(i);
    if (!values.visible || !isIn(program, i, state.scene)) {
      all.push({ places: NOWHERE, layering });
      return;
    }
    let bases: readonly AnchorPlace[];
    if (parent >= 0) bases = all[parent]!.places;
    // A part without its model is nowhere.
    else if (kindOf(object).isPart) bases = NOWHERE;
    else {
      // Hundreds of objects stick to few places.
      const key = program.anchorKeys[i]!;
      let kept = found.get(key);
      if (!kept) found.set(key, (kept = anchorPlaces(anchor, here)));
      bases = kept;
    }
    if (bases.length === 0) {
      all.push({ places: NOWHERE, layering });
      return;
    }
    const pivot = pivotOf(object, values);
    const local = localMatrix(values, pivot, state.byHand(i) ?? UNTOUCHED, upAxis({ anchor }));
    all.push({
      layering,
      places: bases.map((base): Place => {
        // Layers, and shadows on skin, cover the whole face: they lie in head space, whatever spot their anchor names.
        const overFace = isOnFace(object) || (object.kind === 'shadowCatcher' && anchor.kind === 'skin');
        // So does what hides as a whole hand, whichever point it names.
        const around = overFace ? base.face : isHandOccluder(object) ? base.hand : null;
        let matrix = around
          ? fromPose(around.pose)
          : multiplyMatrices(within(program, i, base.matrix), local);
        const fit = fitOf(object, layering);
        if (fit && 'extent' in object)
          matrix = fitMatrix(fit, object.extent as [number, number], here.aspect, matrix[14]!);
        const lookAt = object.lookAt ?? (values.facing ? FACING : null);
        if (lookAt && layering === 'space') matrix = lookingAt(matrix, pivot, lookAt, eye);
        return {
          instance: base.instance,
          matrix,
          face: base.face,
          hand: base.hand,
          opacity: values.opacity * base.opacity,
        };
      }),
    });
  });
  return all;
};

/** The place an object is worked on at: its first. */
export const placeOf = (
  program: Program,
  places: readonly ObjectPlaces[],
  id: ObjectId,
): Place | undefined => {
  const i = program.indexOf.get(id);
  return i === undefined ? undefined : places[i]!.places[0];
};

/** From the space an object hangs in, its group or its anchor, to the one it is drawn in; null when it is nowhere. */
export const baseOf = (
  program: Program,
  places: readonly ObjectPlaces[],
  here: Here,
  id: ObjectId,
): Matrix | null => {
  const i = program.indexOf.get(id);
  if (i === undefined) return null;
  const instance = places[i]!.places[0]?.instance;
  const parent = program.parents[i]!;
  const all = parent >= 0 ? places[parent]!.places : anchorPlaces(program.anchors[i]!, here);
  const base = (all.find((p) => p.instance === instance) ?? all[0])?.matrix;
  return base ? within(program, i, base) : null;
};

/** A part of a model as the stage poses it in the model. */
export interface PartNow {
  readonly id: ObjectId;
  /** Its place in the part tree. */
  readonly part: number;
  /** Its own motion, in its own space; the identity leaves it as the model has it. Null while it is hidden. */
  readonly motion: Matrix | null;
  /** Its own and that of all it hangs in. */
  readonly opacity: Unit;
  /** Its index in the program. */
  readonly index: number;
}

/** The parts of a model that are objects of their own, at one of the places of the model. */
export const partsNow = (
  program: Program,
  places: readonly ObjectPlaces[],
  model: number,
  instance: number,
): PartNow[] =>
  (program.partsOf.get(model) ?? []).flatMap((index): PartNow[] => {
    const object = program.objects[index]!;
    if (object.kind !== 'part' || object.part === null) return [];
    const at = (i: number): Place | undefined => places[i]!.places.find((p) => p.instance === instance);
    const [own, holder] = [at(index), at(program.parents[index]!)];
    const into = holder && invertMatrix(within(program, index, holder.matrix));
    const motion = own ? (into ? multiplyMatrices(into, own.matrix) : IDENTITY_MATRIX) : null;
    return [{ id: object.id, part: object.part, motion, opacity: own?.opacity ?? 0, index }];
  });

/** The places without those of objects that `keep` leaves out. */
export const onlyPlaces = (
  program: Program,
  places: readonly ObjectPlaces[],
  keep: (id: ObjectId) => boolean,
): ObjectPlaces[] =>
  places.map((entry, i) => (keep(program.objects[i]!.id) ? entry : { ...entry, places: NOWHERE }));
