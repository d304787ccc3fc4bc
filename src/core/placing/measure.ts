/** How large things are and how far from what they stick to, for the measuring aid. Metres. */
import { anchorOf, withDescendants } from '../document/queries';
import type { Anchor, Effect, ObjectId } from '../document/schema';
import { shellPositions } from '../face/head-shell';
import { NEUTRAL_FACE } from '../face/neutral';
import { distance, pointAt, type Vec3 } from '../maths/vec3';
import type { Metres } from '../units';
import { clamp } from '../maths/scalar';
import { boxOf } from './bounds';
import { transformBox, sizeOf, union, type Box } from '../maths/box';
import { restMatrix, type Rest } from './rest';

export interface Measure {
  /** In the rest space of what it sticks to. */
  readonly box: Box;
  readonly size: Vec3;
  /** How far from the head, over the picture, over the ground; null on the screen. 0 when it touches. */
  readonly distance: Metres | null;
  readonly to: Anchor['kind'];
}

const HEAD = shellPositions(NEUTRAL_FACE);

/** From the surface of the plain head to a box; 0 when a point of the head lies in it. */
export const distanceToHead = ({ low, high }: Box): Metres => {
  let least = Infinity;
  for (let i = 0; i < HEAD.length / 3; i++) {
    const p = pointAt(HEAD, i);
    const nearest = p.map((x, k) => clamp(x, low[k]!, high[k]!)) as unknown as Vec3;
    least = Math.min(least, distance(p, nearest));
  }
  return least;
};

/** The box around objects and all that hangs in them, in the rest space; null for nothing with a size. */
export const boxAroundObjects = (effect: Effect, rest: Rest, ids: readonly ObjectId[]): Box | null =>
  union(
    ids
      .flatMap((id) => withDescendants(effect, id))
      .flatMap((object) => {
        const box = boxOf(effect, object);
        return box ? [transformBox(restMatrix(rest, object.id), box)] : [];
      }),
  );

/** Measures what is selected; null when it has no size. */
export const measure = (effect: Effect, rest: Rest, ids: readonly ObjectId[]): Measure | null => {
  const box = boxAroundObjects(effect, rest, ids);
  const first = effect.objects[ids[0]!];
  if (!box || !first) return null;
  const anchor = anchorOf(effect, first);
  let far: Metres | null = null;
  if (anchor.kind === 'head' || anchor.kind === 'skin') far = distanceToHead(box);
  else if (anchor.kind === 'picture' || (anchor.kind === 'world' && anchor.surface === 'wall'))
    far = Math.max(0, box.low[2]);
  else if (anchor.kind === 'world') far = Math.max(0, box.low[1]);
  return { box, size: sizeOf(box), distance: far, to: anchor.kind };
};
