import { lerp } from '../../maths/scalar';
import { share } from '../../schema/properties';
import { written } from '../written';
import { defineAction } from './action-kind';

export const fade = defineAction({
  kind: 'fade',
  name: 'fade',
  group: 'Seen or not',
  summary: ({ opacity }) => `fade to ${written(opacity * 100)} %`,
  fields: { opacity: share('Opacity', { mark: 'to' }) },
  fresh: { opacity: 0 },
  pace: 'eases',
  actsOn: 'objects',
  changes: ['opacity'],
  unsuited: (_, object) => ('opacity' in object ? null : 'cannot be seen through'),
  act: ({ action, values, from, k }) => {
    values.opacity = lerp(from.opacity, action.opacity, Math.min(1, Math.max(0, k)));
  },
});
