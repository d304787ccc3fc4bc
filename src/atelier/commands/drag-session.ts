/** One drag of the handles: from what everything was when they were taken hold of to what the drag makes of it. */
import { changeObjects, type Common } from '../../core/edits/object-edits';
import { outermostOf } from '../../core/edits/stack-edits';
import type { EffectObject, ObjectId } from '../../core/document/schema';
import { isPlaceOnly } from '../../core/kinds/objects/objects';
import type { Program } from '../../core/program/program';
import { transformPoint } from '../../core/maths/matrix';
import { layeringOf, type Here } from '../../core/placing/anchors';
import { fitOf } from '../../core/placing/fit';
import { baseOf, placeOf, type ObjectPlaces } from '../../core/placing/places';
import type { Vec3 } from '../../core/maths/vec3';
import { dragged, draggedPivot, handlePlaceOf, snapped, type Drag, type Held } from '../../core/placing/drag';
import type { HandleMode, HandlePlace } from '../../stage/handles';
import { useDeskStore, type PlaceMode } from '../stores/desk';
import { useEffectStore } from '../stores/effect';

const WORDS: Record<PlaceMode, string> = {
  move: 'Move',
  turn: 'Turn',
  size: 'Size',
  pivot: 'Move the pivot of',
};
/** Turns snap to 15 degrees, sizes to a tenth. */
const TURN_SNAP = 15;
const SIZE_SNAP = 0.1;

/** Where things are in a view now. */
export interface ViewNow {
  readonly program: Program;
  readonly places: readonly ObjectPlaces[];
  readonly here: Here;
}

/** What has no place that could be dragged: a grade, what fills the screen, and what has not been drawn yet. */
const isUnplaced = ({ anchors, indexOf }: Program, object: EffectObject): boolean => {
  const i = indexOf.get(object.id);
  if (i === undefined || object.kind === 'grade') return true;
  return fitOf(object, layeringOf(anchors[i]!.kind)) !== null;
};

/** What the handles hold: what is selected, seen in the view and not locked. */
export const heldNow = ({ program, places, here }: ViewNow): Held[] => {
  const { effect } = useEffectStore();
  return outermostOf(effect, useDeskStore().selection).flatMap((object) => {
    const place =
      object.locked || isUnplaced(program, object) ? undefined : placeOf(program, places, object.id);
    const base = place ? baseOf(program, places, here, object.id) : null;
    return place && base ? [{ object, base, seen: transformPoint(place.matrix, object.pivot) }] : [];
  });
};

/** Where handles stand for what is held, as the creator has set them up; out of the way while a point is to be clicked. */
export const handlePlaceFor = (held: readonly Held[]): HandlePlace | null => {
  const { handleMode, place, pivotFor } = useDeskStore();
  if (pivotFor) return null;
  // A sound and a light have no size: there is nothing to pull at.
  const only = held.length === 1 ? useEffectStore().effect.objects[held[0]!.object.id] : undefined;
  if (handleMode === 'size' && only && isPlaceOnly(only)) return null;
  return handlePlaceOf(held, place.axes, { sizing: handleMode === 'size', even: place.even });
};
/** A pivot is moved. */
export const handleModeOf = (mode: PlaceMode): HandleMode => (mode === 'pivot' ? 'move' : mode);

const triple = (v: Vec3): [number, number, number] => [...v];

export class DragSession {
  private held: readonly Held[] = [];
  /** Angles as they were a moment ago, so that they run on. */
  private turns = new Map<ObjectId, Vec3>();

  /** `view` tells drags in different views apart. */
  constructor(private readonly view: string) {}

  start(held: readonly Held[]): void {
    this.held = held;
    this.turns = new Map(held.map(({ object }) => [object.id, object.turn]));
  }

  change(drag: Drag, snapNow: boolean): void {
    const effectStore = useEffectStore();
    const desk = useDeskStore();
    const mode = desk.handleMode;
    const alone = this.held.length === 1;
    const step = desk.place.snapStep / 100;
    // Several objects snap together: they keep what lies between them.
    const by: Drag =
      snapNow && !alone && drag.kind === 'move'
        ? { ...drag, by: drag.by.map((x) => Math.round(x / step) * step) as unknown as Vec3 }
        : drag;
    const changes = new Map<ObjectId, Common>();
    for (const one of this.held) {
      const { object } = one;
      if (mode === 'pivot') {
        if (drag.kind !== 'move') continue;
        const { pivot, move } = draggedPivot(one, drag.by);
        changes.set(object.id, { pivot: triple(pivot), move: triple(move) });
        continue;
      }
      let placed = dragged(one, by, alone, this.turns.get(object.id));
      this.turns.set(object.id, placed.turn);
      if (snapNow && alone)
        placed = snapped(placed, object, { move: step, turn: TURN_SNAP, size: SIZE_SNAP });
      changes.set(object.id, {
        move: triple(placed.move),
        turn: triple(placed.turn),
        scale: triple(placed.scale),
      });
    }
    if (changes.size > 0)
      effectStore.edit(changeObjects(effectStore.effect, changes, WORDS[mode]), this.view);
  }

  end(): void {
    this.held = [];
    useEffectStore().endGesture();
  }
}
