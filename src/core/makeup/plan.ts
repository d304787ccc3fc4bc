/**
 * How the layers of a face are drawn in one pass: layers whose blend modes are affine maps are flattened into one step,
 * whatever their number; others make steps of their own, together where they do not touch each other.
 */
import type { BlendMode } from '../maths/blend';
import { isAffine } from './affine';
import type { Bounds } from '../face/region-mask';

/** What the plan has to know of a layer. Layers are given from the lowest to the topmost. */
export interface PlannedLayer {
  readonly blend: BlendMode;
  /** Where it is on the layout. */
  readonly bounds: Bounds;
  /** It leaves out what something in front of the face covers. */
  readonly givesWay: boolean;
  /** It lies on the teeth alone. */
  readonly onTeeth: boolean;
  /** It is painted onto the lips, and may reach over their edge: what it lies on there is taken for lip. */
  readonly beyondLips: boolean;
}

export interface Step<L extends PlannedLayer = PlannedLayer> {
  /** `affine` has a factor and an addition for each pixel, every other mode a colour and an opacity. */
  readonly mode: BlendMode | 'affine';
  readonly layers: readonly L[];
  readonly bounds: Bounds;
  readonly givesWay: boolean;
  readonly onTeeth: boolean;
  readonly beyondLips: boolean;
}

/** The rectangle around two: left, top, right, bottom. */
export const joinBounds = (a: Bounds, b: Bounds): Bounds => [
  Math.min(a[0], b[0]),
  Math.min(a[1], b[1]),
  Math.max(a[2], b[2]),
  Math.max(a[3], b[3]),
];
const meet = (a: Bounds, b: Bounds): boolean => a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3];

/** The steps that a stack of layers takes, in the order in which they are done. */
export const planLook = <L extends PlannedLayer>(layers: readonly L[]): Step<L>[] => {
  const steps: Step<L>[] = [];
  for (const layer of layers) {
    const mode = isAffine(layer.blend) ? 'affine' : layer.blend;
    const last = steps.at(-1);
    const joins =
      last?.mode === mode &&
      last.givesWay === layer.givesWay &&
      last.onTeeth === layer.onTeeth &&
      last.beyondLips === layer.beyondLips &&
      (mode === 'affine' || last.layers.every((l) => !meet(l.bounds, layer.bounds)));
    if (joins)
      steps[steps.length - 1] = {
        ...last,
        layers: [...last.layers, layer],
        bounds: joinBounds(last.bounds, layer.bounds),
      };
    else {
      const { bounds, givesWay, onTeeth, beyondLips } = layer;
      steps.push({ mode, layers: [layer], bounds, givesWay, onTeeth, beyondLips });
    }
  }
  return steps;
};
