/** Looks mixed: half of one and half of another is a look too. */
import { hexOf, rgbOf } from '../maths/srgb';
import type { Hex, Unit } from '../units';
import type { PieceLayer } from './kit';
import { layerRank } from './kit';

const between = (a: number, b: number, t: Unit): number => a + (b - a) * t;
const hexBetween = (a: Hex, b: Hex, t: Unit): Hex => {
  const [p, q] = [rgbOf(a), rgbOf(b)];
  return hexOf([between(p[0], q[0], t), between(p[1], q[1], t), between(p[2], q[2], t)]);
};

/** Layers that differ in numbers and colour only go over into each other; all others fade out and in. */
const isLike = (a: PieceLayer, b: PieceLayer): boolean =>
  a.region === b.region &&
  (a.blend ?? 'normal') === (b.blend ?? 'normal') &&
  (a.finish ?? 'painted') === (b.finish ?? 'painted') &&
  (a.mask ?? null) === (b.mask ?? null) &&
  (a.asset ?? null) === (b.asset ?? null);

/** `share` 0 is the first look, 1 the second; both in the order of the Stack. Neither is changed. */
export const mixLooks = (
  first: readonly PieceLayer[],
  second: readonly PieceLayer[],
  share: Unit,
): PieceLayer[] => {
  if (share <= 0) return [...first];
  if (share >= 1) return [...second];
  const left = [...second];
  const mixed = first.map((a): PieceLayer => {
    const at = left.findIndex((b) => isLike(a, b));
    if (at < 0) return { ...a, opacity: (a.opacity ?? 1) * (1 - share) };
    const b = left.splice(at, 1)[0]!;
    return {
      ...a,
      name: share < 0.5 ? a.name : b.name,
      opacity: between(a.opacity ?? 1, b.opacity ?? 1, share),
      tint: hexBetween(a.tint ?? '#ffffff', b.tint ?? '#ffffff', share),
      softness: between(a.softness ?? 1, b.softness ?? 1, share),
      shine: between(a.shine ?? 1, b.shine ?? 1, share),
    };
  });
  const more = left.map((b): PieceLayer => ({ ...b, opacity: (b.opacity ?? 1) * share }));
  // What lies higher on a face stays higher; equals keep the order they came in.
  return [...mixed, ...more]
    .map((layer, i) => ({ layer, i }))
    .sort((x, y) => layerRank(y.layer) - layerRank(x.layer) || x.i - y.i)
    .map(({ layer }) => layer);
};

/** Of what is no layer: what both looks have, by kind and name, goes over at half-way, the others fade by their opacity. */
export const mixExtras = <
  E extends { readonly kind: string; readonly name: string; readonly opacity: number },
>(
  first: readonly E[],
  second: readonly E[],
  share: Unit,
): E[] => {
  if (share <= 0) return [...first];
  if (share >= 1) return [...second];
  const left = [...second];
  const mixed = first.map((a): E => {
    // A colour of the hair under another name is a colour of the hair all the same; of retouch there are several.
    const same = left.findIndex((b) => b.kind === a.kind && b.name === a.name);
    const at = same >= 0 || a.kind === 'retouch' ? same : left.findIndex((b) => b.kind === a.kind);
    if (at < 0) return { ...a, opacity: a.opacity * (1 - share) };
    const b = left.splice(at, 1)[0]!;
    return { ...(share < 0.5 ? a : b), opacity: between(a.opacity, b.opacity, share) };
  });
  return [...mixed, ...left.map((b): E => ({ ...b, opacity: b.opacity * share }))];
};
