import { FaceLooks } from '../face/face-looks';
import type { Abilities } from './abilities';

export const faces: Partial<Abilities> = {
  faces: (tools) => new FaceLooks(tools),
};
