import { defineAction } from './action-kind';

export const show = defineAction({
  kind: 'show',
  name: 'show',
  group: 'Seen or not',
  fields: {},
  fresh: { duration: 1 },
  pace: 'switches',
  actsOn: 'objects',
  changes: ['visible'],
  act: ({ values, forth }) => {
    values.visible = forth;
  },
});
