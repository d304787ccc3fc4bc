/** What the viewer has set a control to: a number, 0 or 1, or which of several from 1. */
import { controlIdSchema } from '../../schema/behave-ids';
import { toChoose } from '../../schema/references';
import { defineSignal } from './signal-kind';

export const control = defineSignal({
  kind: 'control',
  name: 'Control',
  also: 'slider switch choice',
  fields: { control: toChoose(controlIdSchema, 'Which control') },
  fresh: { control: null },
  words: (signal, names) => names.control(signal.control),
  read: (signal, from) => (signal.control === null ? NaN : from.control(signal.control)),
  reach: (signal, ofControl) => (signal.control === null ? null : ofControl(signal.control)),
});
