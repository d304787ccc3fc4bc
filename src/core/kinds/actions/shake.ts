import { shaken } from '../../maths/motion';
import { scale } from '../../maths/vec3';
import { number } from '../../schema/properties';
import { defineAction, goesOn } from './action-kind';

export const shake = defineAction({
  kind: 'shake',
  name: 'shake',
  group: 'Keeps moving',
  fields: {
    distance: number({ name: 'How far', low: 0, high: 10, unit: 'millimetres' }),
    angle: number({ name: 'How far it turns', low: -1e6, high: 1e6, unit: 'degrees', offered: [0, 360] }),
    rate: number({ name: 'Trembles a second', low: 0.1, high: 60, unit: 'perSecond', digits: 1 }),
  },
  fresh: { distance: 0.004, angle: 3, rate: 12, duration: 1, ...goesOn },
  pace: 'goesOn',
  actsOn: 'objects',
  overlay: ({ distance, angle, rate }, elapsed, amount, seed) => ({
    move: scale(shaken(elapsed, rate, seed), distance * amount),
    turn: scale(shaken(elapsed, rate, seed + 7919), angle * amount),
  }),
});
