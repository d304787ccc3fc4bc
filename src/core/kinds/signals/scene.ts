/** 1 while a scene is on. */
import { sceneIdSchema } from '../../schema/placed-schema';
import { toChoose } from '../../schema/references';
import { defineSignal, ZERO_TO_ONE } from './signal-kind';

export const scene = defineSignal({
  kind: 'scene',
  name: 'Scene is on',
  also: 'level page',
  fields: { scene: toChoose(sceneIdSchema, 'Which scene') },
  fresh: { scene: null },
  words: (signal, names) => `scene ${names.scene(signal.scene)}`,
  read: (signal, from) => (signal.scene === null ? NaN : from.scene === signal.scene ? 1 : 0),
  reach: () => ZERO_TO_ONE,
  isTruth: () => true,
  sentence: { yes: 'is on', no: 'is not on' },
});
