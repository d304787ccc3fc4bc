/** A variable of the effect. */
import { variableIdSchema } from '../../schema/behave-ids';
import { toChoose } from '../../schema/references';
import { defineWritable } from './writable-kind';

export const variable = defineWritable({
  kind: 'variable',
  group: 'Variables',
  fields: { variable: toChoose(variableIdSchema, 'Variable that is driven') },
  keys: ({ variable: id }) => (id === null ? [] : [`variable ${id}`]),
  ends: () => [0, 1],
  unit: () => 'plain',
  setters: ({ variable: id }, of) => (id === null ? [] : [of.variable(id)]),
});
