/** What a variable is. */
import { variableIdSchema } from '../../schema/behave-ids';
import { toChoose } from '../../schema/references';
import { defineSignal } from './signal-kind';

export const variable = defineSignal({
  kind: 'variable',
  name: 'Variable',
  also: 'score counter number',
  fields: { variable: toChoose(variableIdSchema, 'Which variable') },
  fresh: { variable: null },
  words: (signal, names) => names.variable(signal.variable),
  read: (signal, from) => (signal.variable === null ? NaN : from.variable(signal.variable)),
});
