/**
 * Who and what is there: which face is face 1, where each printed picture is or was, which surfaces are known.
 * Plain data that one step turns into the next, so that the runtime can save and restore it.
 */
import type { SurfaceKind, Target, TargetId } from '../document/schema';
import { MOST_FACES, MOST_HANDS } from '../schema/anchor-schema';
import type { Pose } from '../maths/pose';
import { add, scale, subtract } from '../maths/vec3';
import type { TrackedFace, TrackedHand, TrackedPicture, TrackFrame } from '../tracking/track-frame';
import type { Metres } from '../units';

export interface FoundPicture {
  /** In the metres of the target, which its width says: a picture thought twice as wide is twice as far away. */
  readonly pose: Pose;
  readonly height: Metres;
  readonly seen: boolean;
}

export interface Presence {
  /** Id of the tracked face that is face 1, 2, 3, 4; null where there is none. */
  readonly slots: readonly (number | null)[];
  /** The same of hands. */
  readonly hands: readonly (number | null)[];
  /** Pictures that were seen at least once. */
  readonly pictures: Readonly<Record<TargetId, FoundPicture>>;
  readonly surfaces: Readonly<Partial<Record<SurfaceKind, Pose>>>;
}

export const NOBODY: Presence = {
  slots: Array.from({ length: MOST_FACES }, () => null),
  hands: Array.from({ length: MOST_HANDS }, () => null),
  pictures: {},
  surfaces: {},
};

/**
 * A face, or a hand, keeps its number while it stays in the picture; one that comes new gets the lowest number that is free.
 */
const nextSlots = (
  before: Presence['slots'],
  faces: readonly { readonly id: number }[],
): Presence['slots'] => {
  if (
    faces.length === before.filter((id) => id !== null).length &&
    faces.every((face) => before.includes(face.id))
  )
    return before;
  const here = new Set(faces.map((f) => f.id));
  const slots = before.map((id) => (id !== null && here.has(id) ? id : null));
  for (const { id } of faces) {
    if (slots.includes(id)) continue;
    const free = slots.indexOf(null);
    if (free >= 0) slots[free] = id;
  }
  return slots;
};

/** Whoever tracks knows the shape of a picture, not its size: how large it is printed is what the target says. */
const asPrinted = (picture: TrackedPicture, target: Target, frame: TrackFrame): FoundPicture => {
  const k = target.width / picture.width;
  const eye = frame.camera.pose.position;
  const { position, rotation } = picture.pose;
  return {
    pose: { position: add(eye, scale(subtract(position, eye), k)), rotation },
    height: picture.height * k,
    seen: true,
  };
};

/** Presence after a frame. `targets` are the effect's, in order: the first is picture 1 of the tracker. */
export const nextPresence = (before: Presence, frame: TrackFrame, targets: readonly Target[]): Presence => {
  const slots = nextSlots(before.slots, frame.faces);
  const hands = nextSlots(before.hands, frame.hands);
  let { pictures, surfaces } = before;
  targets.forEach((target, i) => {
    const seen = frame.pictures.find((p) => p.id === i + 1);
    const known = pictures[target.id];
    if (seen) pictures = { ...pictures, [target.id]: asPrinted(seen, target, frame) };
    else if (known?.seen) pictures = { ...pictures, [target.id]: { ...known, seen: false } };
  });
  for (const { kind, pose } of frame.surfaces)
    if (surfaces[kind] !== pose) surfaces = { ...surfaces, [kind]: pose };
  const isSame =
    slots === before.slots &&
    hands === before.hands &&
    pictures === before.pictures &&
    surfaces === before.surfaces;
  return isSame ? before : { slots, hands, pictures, surfaces };
};

/** The faces by their number, from 0. */
export const facesBySlot = (presence: Presence, frame: TrackFrame): readonly (TrackedFace | undefined)[] =>
  presence.slots.map((_, slot) => faceInSlot(presence, frame, slot));
/** The face that has a number; from 0. */
export const faceInSlot = ({ slots }: Presence, frame: TrackFrame, slot: number): TrackedFace | undefined => {
  const id = slots[slot] ?? null;
  return id === null ? undefined : frame.faces.find((f) => f.id === id);
};

/** The hands by their number, from 0. */
export const handsBySlot = (presence: Presence, frame: TrackFrame): readonly (TrackedHand | undefined)[] =>
  presence.hands.map((id) => (id === null ? undefined : frame.hands.find((h) => h.id === id)));
