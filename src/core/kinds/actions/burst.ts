import { number } from '../../schema/properties';
import { defineAction } from './action-kind';

export const burst = defineAction({
  kind: 'burst',
  name: 'burst',
  group: 'Play',
  summary: ({ count }) => `burst of ${count}`,
  fields: {
    count: number({ name: 'Particles at once', low: 1, high: 10_000, unit: 'count', whole: true }),
  },
  fresh: { count: 40, duration: 0 },
  pace: 'atOnce',
  actsOn: 'objects',
  unsuited: (_, object) => (object.kind === 'fountain' ? null : 'is no fountain, so nothing bursts'),
  once: ({ action, values, amount }) => {
    values.burst += Math.max(0, Math.round(action.count * amount));
  },
});
