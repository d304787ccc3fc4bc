/** What becomes of a card when the picture it shows is replaced: it keeps its place. */
import { extentFor } from '../kinds/objects/resting';
import { fromAngles, rotate } from '../maths/quaternion';
import { add, multiply } from '../maths/vec3';
import type { Asset, Card, LayerPlace } from '../document/schema';

/** Assets that have a width and a height. */
type Flat = Extract<Asset, { width: number }>;

/**
 * Extent and move of the card afterwards. Layers of one canvas keep their scale in metres a pixel, and shift
 * as far as their middle has shifted on the canvas; other pictures keep the card's width.
 */
export const cardAfter = (card: Card, old: Flat, next: Flat): Pick<Card, 'extent' | 'move'> => {
  const was = old.kind === 'picture' ? old.layer : null;
  const is = next.kind === 'picture' ? next.layer : null;
  const [width, height] = card.extent;
  if (!was || !is || was.canvas[0] !== is.canvas[0] || was.canvas[1] !== is.canvas[1]) {
    if (Math.abs(next.width / next.height - old.width / old.height) < 1e-3) return card;
    return { extent: extentFor(card, next.width / next.height), move: card.move };
  }
  const [before, after] = [onCanvas(was), onCanvas(is)];
  const perPixel = [width / before.width, height / before.height] as const;
  const shift = multiply(
    [(after.x - before.x) * perPixel[0], -(after.y - before.y) * perPixel[1], 0],
    card.scale,
  );
  return {
    extent: [after.width * perPixel[0], after.height * perPixel[1]],
    move: [...add(card.move, rotate(fromAngles(card.turn), shift))],
  };
};

/** Size and middle of a layer on its canvas, in pixels of the canvas. */
const onCanvas = ({ left, top, width, height }: LayerPlace) => ({
  width,
  height,
  x: left + width / 2,
  y: top + height / 2,
});
