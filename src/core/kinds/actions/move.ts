import type { z } from 'zod';
import { transformDirection, invertMatrix, transformPoint } from '../../maths/matrix';
import { fromAngles, rotate } from '../../maths/quaternion';
import { add, mix, scale, type Vec3 } from '../../maths/vec3';
import { writtenAll } from '../written';
import { amounts, axesSchema, defineAction, modeSchema, type Beginning } from './action-kind';

const fields = { mode: modeSchema(), by: amounts('centimetres'), axes: axesSchema() };
type Move = z.infer<z.ZodObject<typeof fields>>;

/** The amount as a way and as a place, in the space the object hangs in. */
const inParent = ({ action, from, index, world }: Beginning<Move>): { way: Vec3; to: Vec3 } => {
  const { by, axes } = action;
  if (axes === 'own') {
    const way = rotate(fromAngles(from.turn), by);
    return { way, to: add(from.move, way) };
  }
  const base = axes === 'viewer' ? world.base(index) : null;
  const into = base && invertMatrix(base);
  if (!into) return { way: by, to: by };
  const flat = world.isFlat(index);
  const { position, rotation } = world.eye;
  const seen = flat ? by : rotate(rotation, by);
  return { way: transformDirection(into, seen), to: transformPoint(into, flat ? by : add(position, seen)) };
};

export const move = defineAction({
  kind: 'move',
  name: 'move',
  group: 'Move',
  summary: ({ mode, by }) => `move ${mode} ${writtenAll(by, 100)} cm`,
  fields,
  fresh: { mode: 'by', by: [0, 0, 0], axes: 'parent' },
  pace: 'eases',
  actsOn: 'objects',
  changes: ['move'],
  isPlaced: ({ axes }) => axes === 'viewer',
  isIdle: ({ mode, by }) => mode === 'by' && by.every((x) => x === 0),
  act: (moment) => {
    const { action, from, values, k, rounds } = moment;
    const { way, to } = inParent(moment);
    values.move =
      action.mode === 'to'
        ? mix(from.move, to, k)
        : action.mode === 'from'
          ? mix(to, from.move, k)
          : add(from.move, scale(way, k + rounds));
  },
});
