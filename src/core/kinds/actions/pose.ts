import { fromAngles, slerp, toAngles } from '../../maths/quaternion';
import { mix } from '../../maths/vec3';
import { vec3Schema } from '../../schema/values-schema';
import { defineAction, waySchema } from './action-kind';

/** Travels to how it was placed by hand when the pose was captured. */
export const pose = defineAction({
  kind: 'pose',
  name: 'go to a captured pose',
  group: 'Move',
  summary: () => 'go to the captured pose',
  fields: { move: vec3Schema, turn: vec3Schema, scale: vec3Schema, way: waySchema() },
  fresh: { move: [0, 0, 0], turn: [0, 0, 0], scale: [1, 1, 1], way: 'short', duration: 1 },
  pace: 'eases',
  actsOn: 'objects',
  changes: ['move', 'turn', 'scale'],
  act: ({ action, values, from, k }) => {
    values.move = mix(from.move, action.move, k);
    values.scale = mix(from.scale, action.scale, k);
    values.turn =
      action.way === 'typed' || k === 0 || k === 1
        ? mix(from.turn, action.turn, k)
        : toAngles(slerp(fromAngles(from.turn), fromAngles(action.turn), k));
  },
});
