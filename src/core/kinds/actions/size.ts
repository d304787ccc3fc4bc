import { lerp } from '../../maths/scalar';
import { mix, multiply, scale } from '../../maths/vec3';
import { number } from '../../schema/properties';
import { written } from '../written';
import { defineAction, modeSchema } from './action-kind';

export const size = defineAction({
  kind: 'size',
  name: 'size',
  group: 'Move',
  summary: ({ mode, factor }) => `size ${mode} ${written(factor * 100)} %`,
  fields: {
    mode: modeSchema(),
    /** On the placed size: 1.5 is 150 %. */
    factor: number({ name: 'Size', low: 0, high: 100, unit: 'percent', step: 10, mark: '' }),
  },
  fresh: { mode: 'to', factor: 1.3 },
  pace: 'eases',
  actsOn: 'objects',
  changes: ['scale'],
  isIdle: ({ mode, factor }) => mode === 'by' && factor === 1,
  act: ({ action, object, values, from, k, rounds }) => {
    const wanted = scale(object.scale, action.factor);
    if (action.mode === 'to') values.scale = mix(from.scale, wanted, k);
    else if (action.mode === 'from') values.scale = mix(wanted, from.scale, k);
    else {
      const f = lerp(1, action.factor, k) * action.factor ** rounds;
      values.scale = multiply(from.scale, [f, f, f]);
    }
  },
});
