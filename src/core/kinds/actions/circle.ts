import type { z } from 'zod';
import { invertMatrix, transformPoint } from '../../maths/matrix';
import { circled } from '../../maths/motion';
import { multiplyQuaternions, fromAngles, fromAxisAngle, rotate, toAngles } from '../../maths/quaternion';
import { add, dot, length, normalise, scale, subtract, UNIT_AXES, ZERO, type Vec3 } from '../../maths/vec3';
import { objectIdSchema } from '../../schema/placed-schema';
import { choice, maybe, yesNo } from '../../schema/properties';
import { toChoose } from '../../schema/references';
import { defineAction, goesOn, type Beginning } from './action-kind';

const fields = {
  /** What it is placed around, another object or the viewer. */
  around: choice(
    'Around what',
    { middle: 'its middle', object: 'an object', viewer: 'the viewer' },
    { mark: 'around' },
  ),
  object: toChoose(objectIdSchema, 'Which object'),
  axis: choice('About which axis', { x: 'x', y: 'y', z: 'z' }, { mark: 'about' }),
  /** Null keeps the distance it has. */
  radius: maybe(
    { name: 'Radius', low: 0, high: 1000, unit: 'centimetres' },
    { start: 0.15, name: 'Own radius' },
  ),
  clockwise: yesNo('Clockwise'),
  /** Turns along, so that the same side stays outside. */
  turns: yesNo('Turns along'),
};
type Circle = z.infer<z.ZodObject<typeof fields>>;

/** The middle of the circle in the space the object hangs in; null when it is nowhere. */
const middleOf = ({ action, index, world }: Beginning<Circle>): Vec3 | null => {
  if (action.around === 'middle') return ZERO;
  const base = world.base(index);
  const into = base && invertMatrix(base);
  const at =
    action.around === 'viewer'
      ? world.eye.position
      : action.object === null
        ? null
        : world.positionOf(action.object);
  return into && at ? transformPoint(into, at) : null;
};

/** Goes round, once in its duration. */
export const circle = defineAction({
  kind: 'circle',
  name: 'circle',
  group: 'Move',
  summary: ({ around, object }, names) =>
    `circle ${around === 'viewer' ? 'the viewer' : around === 'middle' ? 'its middle' : names.object(object)}`,
  fields,
  fresh: {
    around: 'middle',
    object: null,
    axis: 'y',
    radius: null,
    clockwise: false,
    turns: true,
    duration: 4,
    ...goesOn,
  },
  pace: 'eases',
  takes: 'A turn takes',
  actsOn: 'objects',
  changes: ['move', 'turn'],
  unused: ({ around }) => (around === 'object' ? [] : ['object']),
  isPlaced: ({ around }) => around !== 'middle',
  lacks: ({ around, object }, has) =>
    around === 'object' && (object === null || !has('objects', object)) ? 'objects' : null,
  begin: (beginning) => {
    const { action, from } = beginning;
    const away = subtract(from.move, middleOf(beginning) ?? ZERO);
    const axis = UNIT_AXES[action.axis];
    const along = scale(axis, dot(away, axis));
    const across = subtract(away, along);
    const far = length(across);
    const radius = action.radius ?? far;
    const out = far > 1e-9 ? scale(normalise(across), radius) : circled(action.axis, radius, 0);
    return { offset: add(along, out), at: from.move, speed: ZERO };
  },
  act: (moment) => {
    const { action, values, from, whole, round, carried } = moment;
    const middle = middleOf(moment);
    if (!middle || !carried) return;
    const angle = 360 * (whole + (action.thereAndBack ? 0 : round)) * (action.clockwise ? -1 : 1);
    const about = fromAxisAngle(UNIT_AXES[action.axis], angle);
    values.move = add(middle, rotate(about, carried.offset));
    if (action.turns) values.turn = toAngles(multiplyQuaternions(about, fromAngles(from.turn)));
  },
});
