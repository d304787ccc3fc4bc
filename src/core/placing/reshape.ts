/** Faces as the morphs of an effect have reshaped them: all that lies on a face lies on these. */
import { objectAs } from '../program/object-now';
import { isIn, type Program } from '../program/program';
import type { Morph } from '../document/schema';
import { morphed, sumMoves, type Morphing } from '../face/morph/moves';
import { movesOf } from './morph-moves';
import type { TrackedFace } from '../tracking/track-frame';
import type { Unit } from '../units';
import { chosen, type Here } from './anchors';
import type { StateNow } from './places';
import { facesBySlot } from './presence';

/** How strong object `i` is now, with the groups it hangs in; 0 when it or one of them is hidden. */
const strengthOf = (program: Program, state: StateNow, i: number): Unit => {
  if (!isIn(program, i, state.scene)) return 0;
  let strength = 1;
  for (let at = i; at >= 0; at = program.parents[at]!) {
    const { visible, opacity } = state.values(at);
    if (!visible) return 0;
    strength *= opacity;
  }
  return strength;
};

/** The same with the faces reshaped; their own landmarks stay beside the new ones. Without morphs nothing changes. */
export const reshaped = (program: Program, state: StateNow, here: Here): Here => {
  if (program.morphs.length === 0) return here;
  const faces = facesBySlot(here.presence, here.frame);
  const morphings = new Map<number, Morphing[]>();
  for (const i of program.morphs) {
    const morph = objectAs(program.objects[i]!, state.values(i)) as Morph;
    const anchor = program.anchors[i]!;
    const amount = morph.amount * strengthOf(program, state, i);
    const moves = movesOf(morph);
    if (!('face' in anchor) || amount === 0 || !moves) continue;
    for (const [, face] of chosen(anchor.face, faces)) {
      const list = morphings.get(face.id) ?? [];
      list.push({ moves, amount, weights: null });
      morphings.set(face.id, list);
    }
  }
  if (morphings.size === 0) return here;
  const reshape = (face: TrackedFace): TrackedFace => {
    const list = morphings.get(face.id);
    if (!list) return face;
    return { ...face, landmarks: morphed(face.landmarks, sumMoves(list)), unmorphed: face.landmarks };
  };
  return { ...here, frame: { ...here.frame, faces: here.frame.faces.map(reshape) } };
};
