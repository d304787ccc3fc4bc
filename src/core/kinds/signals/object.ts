/** What of an object can be asked for. World places in metres, screen places in shares of the picture from the top left. */
import type { Dimension } from '../../formula/dimension';
import { positionOf } from '../../maths/matrix';
import { distance, type Vec3 } from '../../maths/vec3';
import { objectIdSchema, type ObjectId } from '../../schema/placed-schema';
import { choice } from '../../schema/properties';
import { toChoose } from '../../schema/references';
import { POSE_WORDS } from '../numbers';
import type { Values } from '../values';
import { defineSignal, ZERO_TO_ONE, type SignalSource } from './signal-kind';

const WORDS = {
  visible: 'is shown',
  opacity: 'opacity',
  ...POSE_WORDS,
  worldX: 'world x (m)',
  worldY: 'world y (m)',
  worldZ: 'world z (m)',
  screenX: 'on the screen, across',
  screenY: 'on the screen, down',
  distance: 'distance to the viewer (m)',
  speed: 'speed (m/s)',
} as const;
export type ObjectSignal = keyof typeof WORDS;

/** All else is a plain number. */
const MEASURES: Partial<Record<ObjectSignal, Dimension>> = {
  opacity: 'share',
  size: 'share',
  screenX: 'share',
  screenY: 'share',
  moveX: 'length',
  moveY: 'length',
  moveZ: 'length',
  worldX: 'length',
  worldY: 'length',
  worldZ: 'length',
  distance: 'length',
  turnX: 'angle',
  turnY: 'angle',
  turnZ: 'angle',
};
/** What cues and drives have made of it, whether it is anywhere or not. */
const OF_VALUES: Partial<Record<ObjectSignal, (values: Readonly<Values>) => number>> = {
  visible: ({ visible }) => (visible ? 1 : 0),
  opacity: ({ opacity }) => opacity,
  moveX: ({ move }) => move[0],
  moveY: ({ move }) => move[1],
  moveZ: ({ move }) => move[2],
  turnX: ({ turn }) => turn[0],
  turnY: ({ turn }) => turn[1],
  turnZ: ({ turn }) => turn[2],
  size: ({ scale: [x, y, z] }) => Math.cbrt(Math.abs(x * y * z)),
};
/** Where it is. */
const OF_PLACE: Partial<
  Record<ObjectSignal, (at: Vec3, from: SignalSource, object: ObjectId) => number | undefined>
> = {
  worldX: ([x]) => x,
  worldY: ([, y]) => y,
  worldZ: ([, , z]) => z,
  screenX: (_, from, id) => from.onScreen(id)?.[0],
  screenY: (_, from, id) => from.onScreen(id)?.[1],
  distance: (at, { frame }) => distance(at, frame.camera.pose.position),
  speed: (at, from, id) => from.speedOf(id, at),
};

export const object = defineSignal({
  kind: 'object',
  name: 'Object',
  fields: {
    object: toChoose(objectIdSchema, 'Object of the signal', { ask: 'Choose what' }),
    of: choice('What of the object', WORDS),
  },
  fresh: { object: null, of: 'opacity' },
  words: (signal, names) => `${names.object(signal.object)} ${WORDS[signal.of]}`,
  measures: ({ of }) => MEASURES[of] ?? 'number',
  read: ({ object: id, of }, from) => {
    const values = id === null ? null : from.values(id);
    if (!values) return NaN;
    const own = OF_VALUES[of];
    if (own) return own(values);
    const matrix = from.matrixOf(id!);
    return (matrix && OF_PLACE[of]?.(positionOf(matrix), from, id!)) ?? NaN;
  },
  reach: ({ of }) => (of === 'visible' || of === 'opacity' ? ZERO_TO_ONE : null),
  isPlaced: ({ of }) => OF_PLACE[of] !== undefined,
  parts: {
    field: 'of',
    also: {
      visible: 'shown seen visible hidden on off',
      opacity: 'transparent see through fade',
      size: 'scale large big small',
      speed: 'fast moves',
      distance: 'near far away',
    },
  },
  shownIn: ({ of }) => (of === 'opacity' || of === 'size' ? 'percent' : 'plain'),
  gist: ({ of }) => of,
  isTruth: ({ of }) => of === 'visible',
  sentence: {
    yes: 'is shown',
    no: 'is hidden',
    words: (signal, names) => names.object(signal.object),
    of: ({ of }) => of === 'visible',
  },
});
