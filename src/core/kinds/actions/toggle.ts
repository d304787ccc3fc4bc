import { defineAction } from './action-kind';

export const toggle = defineAction({
  kind: 'toggle',
  name: 'show or hide',
  group: 'Seen or not',
  fields: {},
  fresh: { duration: 1 },
  pace: 'switches',
  everyRound: true,
  actsOn: 'objects',
  changes: ['visible'],
  act: ({ action, values, from, round, forth }) => {
    values.visible = action.thereAndBack || round % 2 === 0 ? from.visible !== forth : from.visible;
  },
});
