/** Expectations as they are first added. */
import { newCondition } from '../document/new-cues';
import { cueOrder, stackOrder } from '../document/queries';
import type { Effect, Expectation, ExpectationKind, ExpectationOf, ObjectId } from '../document/schema';
import type { Seconds } from '../units';
import { USUAL_TOLERANCE } from './what-happened';

/** How long a stretch is at first. */
const STRETCH: Seconds = 1;

/** Of what is selected where that can be meant, at the moment that is looked at. */
export const newExpectation = (
  id: string,
  kind: ExpectationKind,
  now: Seconds,
  effect: Effect,
  selected: ObjectId | null,
): Expectation => {
  const at = Math.round(now * 10) / 10;
  const between = { from: at, to: at + STRETCH };
  const objects = stackOrder(effect);
  const MADE: { readonly [K in ExpectationKind]: () => ExpectationOf<K> } = {
    seen: () => ({ id, kind: 'seen', object: selected ?? objects[0]?.id ?? null, isSeen: true, ...between }),
    fired: () => ({ id, kind: 'fired', cue: cueOrder(effect)[0]?.id ?? null, hasFired: true, ...between }),
    signal: () => ({ id, kind: 'signal', condition: newCondition(selected), at }),
    looks: () => ({ id, kind: 'looks', at, tolerance: USUAL_TOLERANCE, pictures: [] }),
    noFlash: () => ({ id, kind: 'noFlash' }),
    reads: () => ({
      id,
      kind: 'reads',
      object:
        (selected && effect.objects[selected]?.kind === 'text' ? selected : null) ??
        objects.find((o) => o.kind === 'text')?.id ??
        null,
      at,
    }),
    // Half of the time that a screen gives a picture: the rest is the phone's and the trackers'.
    quick: () => ({ id, kind: 'quick', most: 8, on: 'usual' }),
  };
  return MADE[kind]();
};
