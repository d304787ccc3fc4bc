/** An input of a surface circuit that nothing is wired to. */
import { materialIdSchema } from '../../schema/material-schema';
import { toChoose } from '../../schema/references';
import { idText, text } from '../../schema/values-schema';
import { defineWritable } from './writable-kind';

export const circuit = defineWritable({
  kind: 'circuit',
  group: 'Inputs of circuits',
  fields: {
    material: toChoose(materialIdSchema, 'Material that is driven'),
    node: idText,
    port: text(24),
  },
  keys: ({ material, node, port }) => (material === null ? [] : [`circuit ${material} ${node} ${port}`]),
  ends: () => [0, 1],
  unit: () => 'plain',
  setters: ({ material, node, port }, of) => (material === null ? [] : [of.input({ material, node, port })]),
});
