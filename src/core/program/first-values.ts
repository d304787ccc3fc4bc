/** The values of an object as the document has it, before behaviour has changed anything. */
import type { Effect, EffectObject } from '../document/schema';
import { firstMedia } from '../kinds/media';
import type { Values } from '../kinds/values';

/** An object as it starts, before behaviour has changed anything. */
export const firstValues = (effect: Effect, object: EffectObject): Values => ({
  visible: object.visible,
  opacity: 'opacity' in object ? object.opacity : 1,
  move: object.move,
  turn: object.turn,
  scale: object.scale,
  numbers: null,
  colour: null,
  text: null,
  picture: null,
  media: firstMedia(effect, object),
  open: object.kind === 'fountain' && object.runs ? 1 : 0,
  burst: 0,
  facing: false,
});
