/** How many faces an effect tells apart. */
import { facesOfNodes, signalsOf, triggersOf } from '../document/behaviour-queries';
import { anchorOf } from '../document/queries';
import type { Effect } from '../document/schema';
import { MOST_FACES } from '../schema/anchor-schema';

/** The faces that a thing names by number in a field, all of them where it is for any or every one, or counts them. */
const namedBy = (thing: object): number => {
  const fields = thing as { readonly kind?: string; readonly face?: unknown; readonly other?: unknown };
  if (fields.kind === 'faces' || fields.face === 'any' || fields.face === 'every') return MOST_FACES;
  return Math.max(1, ...[fields.face, fields.other].filter((n) => typeof n === 'number'));
};

/** As many as are looked for on a camera: at least one. Objects, what they stick to, triggers, signals and nodes count. */
export const faceCount = (effect: Effect): number =>
  Math.min(
    MOST_FACES,
    Math.max(
      1,
      ...Object.values(effect.objects).flatMap((o) => [namedBy(o), namedBy(anchorOf(effect, o))]),
      ...[...triggersOf(effect), ...signalsOf(effect)].map(namedBy),
      ...facesOfNodes(effect).map((face) => face ?? MOST_FACES),
    ),
  );
