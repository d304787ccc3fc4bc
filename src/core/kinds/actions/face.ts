import { defineAction, goesOn } from './action-kind';

/** Keeps its front to the viewer. */
export const face = defineAction({
  kind: 'face',
  name: 'face the viewer',
  group: 'Move',
  fields: {},
  fresh: { duration: 1, ...goesOn },
  pace: 'goesOn',
  actsOn: 'objects',
  changes: ['facing'],
  act: ({ values }) => {
    values.facing = true;
  },
});
