import type { z } from 'zod';
import { invertMatrix, transformPoint } from '../../maths/matrix';
import { followed, onSpring, type Sprung } from '../../maths/motion';
import { add, subtract, ZERO, type Vec3 } from '../../maths/vec3';
import { objectIdSchema } from '../../schema/placed-schema';
import { number } from '../../schema/properties';
import { orNone } from '../../schema/references';
import { STEP } from '../../units';
import { defineAction, goesOn, type Beginning } from './action-kind';

const fields = {
  /** Null is the viewer. */
  object: orNone(objectIdSchema, 'Follow what', 'the viewer'),
  /** How far behind it is, in seconds. */
  lag: number({ name: 'Behind by', low: 0, high: 60, unit: 'seconds' }),
  /** Swings a second on a spring instead of a lag; 0 has none. */
  swings: number({
    name: 'Swings a second on a spring; 0 is none',
    short: 'Spring, swings a second',
    low: 0,
    high: 20,
    unit: 'plain',
    digits: 1,
    step: 0.5,
  }),
};
type Follow = z.infer<z.ZodObject<typeof fields>>;

/** What is followed, in the space the object hangs in; null when it is nowhere. */
const followedPoint = ({ action, index, world }: Beginning<Follow>): Vec3 | null => {
  const base = world.base(index);
  const into = base && invertMatrix(base);
  const at = action.object === null ? world.eye.position : world.positionOf(action.object);
  return into && at ? transformPoint(into, at) : null;
};

export const follow = defineAction({
  kind: 'follow',
  name: 'follow',
  group: 'Move',
  summary: ({ object }, names) => `follow ${object === null ? 'the viewer' : names.object(object)}`,
  fields,
  fresh: { object: null, lag: 0.4, swings: 0, duration: 1, ...goesOn },
  pace: 'goesOn',
  actsOn: 'objects',
  changes: ['move'],
  isPlaced: () => true,
  begin: (beginning) => {
    const { from } = beginning;
    const point = followedPoint(beginning);
    return { offset: point ? subtract(from.move, point) : ZERO, at: from.move, speed: ZERO };
  },
  act: (moment) => {
    const { action, values, carried } = moment;
    const point = followedPoint(moment);
    if (!point || !carried) return;
    const wanted = add(point, carried.offset);
    const next = [0, 1, 2].map((axis): Sprung =>
      action.swings > 0
        ? onSpring(
            { at: carried.at[axis]!, speed: carried.speed[axis]! },
            wanted[axis]!,
            { swings: action.swings, damping: 0.35 },
            STEP,
          )
        : { at: followed(carried.at[axis]!, wanted[axis]!, action.lag, STEP), speed: 0 },
    );
    values.move = next.map((n) => n.at) as unknown as Vec3;
    return { ...carried, at: values.move, speed: next.map((n) => n.speed) as unknown as Vec3 };
  },
});
