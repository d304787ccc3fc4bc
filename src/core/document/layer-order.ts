/** Where a face layer lies among the others of its face. */
import { stackOrder } from './queries';
import type { Effect, Layer } from './schema';

/** The layer that lies right over this one on the same face; null for the topmost. Layers on *every face* lie on each. */
export const layerOver = (effect: Effect, layer: Layer): Layer | null => {
  const faceOf = (of: Layer): unknown => ('face' in of.anchor ? of.anchor.face : null);
  const same = (of: Layer): boolean =>
    faceOf(of) === faceOf(layer) || faceOf(of) === 'every' || faceOf(layer) === 'every';
  const layers = stackOrder(effect).filter((o): o is Layer => o.kind === 'layer');
  return (
    layers
      .slice(
        0,
        layers.findIndex((o) => o.id === layer.id),
      )
      .findLast(same) ?? null
  );
};
