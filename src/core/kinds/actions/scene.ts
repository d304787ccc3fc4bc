import { sceneIdSchema } from '../../schema/placed-schema';
import { toChoose } from '../../schema/references';
import { defineAction } from './action-kind';

/** Goes over to another scene. */
export const scene = defineAction({
  kind: 'scene',
  name: 'go to scene',
  group: 'Effect',
  summary: (action, names) => `go to ${names.scene(action.scene)}`,
  fields: { scene: toChoose(sceneIdSchema, 'Scene', { ask: 'Choose the scene' }) },
  fresh: { scene: null, duration: 0 },
  pace: 'atOnce',
  actsOn: 'effect',
  bid: (action, write) => write.goTo(action.scene),
});
