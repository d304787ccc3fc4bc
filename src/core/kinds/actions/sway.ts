import { swayed } from '../../maths/motion';
import { scale, UNIT_AXES, ZERO } from '../../maths/vec3';
import { choice, number } from '../../schema/properties';
import { written } from '../written';
import { defineAction, goesOn } from './action-kind';

export const sway = defineAction({
  kind: 'sway',
  name: 'sway',
  group: 'Keeps moving',
  summary: ({ angle }) => `sway ${written(angle)}°`,
  fields: {
    angle: number({
      name: 'How far it sways',
      low: -1e6,
      high: 1e6,
      unit: 'degrees',
      offered: [-360, 360],
    }),
    axis: choice('About which axis', { x: 'about x', y: 'about y', z: 'about z' }),
  },
  fresh: { axis: 'z', angle: 8, duration: 2, ...goesOn },
  pace: 'goesOn',
  takes: 'One swing',
  actsOn: 'objects',
  overlay: ({ axis, angle, duration }, elapsed, amount) => ({
    move: ZERO,
    turn: scale(UNIT_AXES[axis], angle * amount * swayed(elapsed, duration > 0 ? 1 / duration : 1)),
  }),
});
