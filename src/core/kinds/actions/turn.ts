import type { z } from 'zod';
import { decomposeMatrix } from '../../maths/matrix';
import { multiplyQuaternions, fromAngles, conjugate, slerp, toAngles } from '../../maths/quaternion';
import { add, mix, scale, ZERO, type Vec3 } from '../../maths/vec3';
import { writtenAll } from '../written';
import { amounts, axesSchema, defineAction, modeSchema, waySchema, type Moment } from './action-kind';

const fields = { mode: modeSchema(), by: amounts('degrees'), axes: axesSchema(), way: waySchema() };
type Turn = z.infer<z.ZodObject<typeof fields>>;

const turned = ({ action, from, k, rounds, index, world }: Moment<Turn>): Vec3 => {
  if (action.mode !== 'by') {
    const [a, b] = action.mode === 'to' ? [from.turn, action.by] : [action.by, from.turn];
    if (action.way === 'typed') return mix(a, b, k);
    if (k === 0) return a;
    return k === 1 ? b : toAngles(slerp(fromAngles(a), fromAngles(b), k));
  }
  if (action.axes === 'parent') return add(from.turn, scale(action.by, k + rounds));
  // A difference of rotation, any number of times round, as a share of it.
  const by = fromAngles(scale(action.by, k + rounds));
  if (action.axes === 'own') return toAngles(multiplyQuaternions(fromAngles(from.turn), by));
  // About the viewer's axes, seen from the space the object hangs in.
  const base = world.base(index);
  const here = world.isFlat(index) ? fromAngles(ZERO) : world.eye.rotation;
  const frame = multiplyQuaternions(
    conjugate(base ? decomposeMatrix(base).rotation : fromAngles(ZERO)),
    here,
  );
  return toAngles(
    multiplyQuaternions(
      multiplyQuaternions(frame, multiplyQuaternions(by, conjugate(frame))),
      fromAngles(from.turn),
    ),
  );
};

export const turn = defineAction({
  kind: 'turn',
  name: 'turn',
  group: 'Move',
  summary: ({ mode, by }) => `turn ${mode} ${writtenAll(by, 1)}°`,
  fields,
  fresh: { mode: 'by', by: [0, 0, 0], axes: 'parent', way: 'typed' },
  pace: 'eases',
  actsOn: 'objects',
  changes: ['turn'],
  unused: ({ mode }) => [mode === 'by' ? 'way' : 'axes'],
  isPlaced: ({ axes }) => axes === 'viewer',
  isIdle: ({ mode, by }) => mode === 'by' && by.every((x) => x === 0),
  act: (moment) => {
    moment.values.turn = turned(moment);
  },
});
