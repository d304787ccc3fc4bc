/** Known answers. */
import type { EFFECT_NODES } from '../effect-nodes';
import { once, E, type CasesOf } from './testing';

export const EFFECT_CASES: CasesOf<typeof EFFECT_NODES> = {
  signal: [{ given: [{}], gives: [[0.7]], at: { signal: () => 0.7 } }],
  trigger: [
    {
      given: [{}],
      gives: [[1]],
      at: { watch: (_: unknown, state: unknown) => ({ state, fired: true }) },
    },
    { given: [{}], gives: [[0]] },
  ],
  write: [once({ value: 3 })],
  writeText: [once({ text: 'ebb' })],
  writeColour: [once({ colour: [1, 0, 0] })],
  cue: [once(E)],
  prompt: [once(E)],
  scene: [once(E)],
};
