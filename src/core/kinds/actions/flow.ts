import { number } from '../../schema/properties';
import { written } from '../written';
import { defineAction } from './action-kind';

/** A fountain runs while the action lasts. */
export const flow = defineAction({
  kind: 'flow',
  name: 'let it flow',
  group: 'Play',
  summary: ({ share }) => (share === 1 ? 'flow' : `flow at ${written(share * 100)} %`),
  fields: {
    share: number({ name: 'Share of its rate', low: 0, high: 100, unit: 'percent', step: 10 }),
  },
  fresh: { share: 1, duration: 3, after: 'return' },
  pace: 'lasts',
  actsOn: 'objects',
  changes: ['open'],
  unsuited: (_, object) => (object.kind === 'fountain' ? null : 'is no fountain, so nothing flows'),
  act: ({ action, values, amount }) => {
    values.open = action.share * amount;
  },
});
