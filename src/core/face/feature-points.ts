/** The named places on a head that objects stick to. */
import type { Vec3 } from '../maths/vec3';

export const FEATURE_POINT_NAMES = [
  'headCentre',
  'crown',
  'forehead',
  'browCentre',
  'noseBridge',
  'noseTip',
  'eyeLeft',
  'eyeRight',
  'earLeft',
  'earRight',
  'cheekLeft',
  'cheekRight',
  'mouth',
  'mouthCornerLeft',
  'mouthCornerRight',
  'chin',
] as const;
export type FeaturePoint = (typeof FEATURE_POINT_NAMES)[number];

interface Definition {
  /** The point is the mean of these landmarks... */
  readonly landmarks: readonly number[];
  /** ...moved by this, in metres of head space. */
  readonly offset: Vec3;
}

const at = (landmarks: readonly number[], offset: Vec3 = [0, 0, 0]): Definition => ({ landmarks, offset });

const DEFINITIONS: Record<FeaturePoint, Definition> = {
  headCentre: at([]),
  crown: at([10], [0, 0.05, -0.07]),
  forehead: at([151]),
  browCentre: at([9]),
  noseBridge: at([6]),
  noseTip: at([4]),
  eyeLeft: at([263, 362, 374, 386]),
  eyeRight: at([33, 133, 145, 159]),
  earLeft: at([454], [0.006, 0.005, -0.025]),
  earRight: at([234], [-0.006, 0.005, -0.025]),
  cheekLeft: at([280]),
  cheekRight: at([50]),
  mouth: at([13, 14]),
  mouthCornerLeft: at([291]),
  mouthCornerRight: at([61]),
  chin: at([152]),
};

/** Where a feature point is now, in head space, from the face's landmarks in head space (metres). */
export const featurePoint = (landmarks: ArrayLike<number>, name: FeaturePoint): Vec3 => {
  const { landmarks: indices, offset } = DEFINITIONS[name];
  let [x, y, z] = offset;
  for (const i of indices) {
    x += landmarks[3 * i]! / indices.length;
    y += landmarks[3 * i + 1]! / indices.length;
    z += landmarks[3 * i + 2]! / indices.length;
  }
  return [x, y, z];
};
