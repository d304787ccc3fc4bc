import { defineAction } from './action-kind';

export const hide = defineAction({
  kind: 'hide',
  name: 'hide',
  group: 'Seen or not',
  fields: {},
  fresh: { duration: 1 },
  pace: 'switches',
  actsOn: 'objects',
  changes: ['visible'],
  act: ({ values, forth }) => {
    values.visible = !forth;
  },
});
