import { bounced } from '../../maths/motion';
import { ZERO } from '../../maths/vec3';
import { number } from '../../schema/properties';
import { written } from '../written';
import { defineAction, goesOn } from './action-kind';

export const bounce = defineAction({
  kind: 'bounce',
  name: 'bounce',
  group: 'Keeps moving',
  summary: ({ height }) => `bounce ${written(height * 100)} cm`,
  fields: { height: number({ name: 'How high', low: -100, high: 100, unit: 'centimetres' }) },
  fresh: { height: 0.03, duration: 0.7, ...goesOn },
  pace: 'goesOn',
  takes: 'One swing',
  actsOn: 'objects',
  overlay: ({ height, duration }, elapsed, amount) => ({
    move: [0, height * amount * bounced(elapsed, duration > 0 ? 1 / duration : 1), 0],
    turn: ZERO,
  }),
});
