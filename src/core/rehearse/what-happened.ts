/** Expectations made of what just happened on a take: "this is right, keep it". */
import type { Chronicle } from '../behave/chronicle';
import type { CueId, Effect, Expectation, ObjectId } from '../document/schema';
import type { Seconds } from '../units';

/** A cue may fire by so much earlier or later. */
const SLACK: Seconds = 0.3;
/** Where nothing says how long something is seen, it is looked at for so long. */
const LOOK: Seconds = 0.5;
/** More of a kind nobody reads. */
const MOST = 8;
/** How much of the picture may differ. */
export const USUAL_TOLERANCE = 0.02;

const tenth = (t: Seconds): Seconds => Math.round(t * 10) / 10;

/**
 * That cues fire about when they did, and those that did not, do not; that what they showed is seen, and what they hid is not; that it looks as at the end of
 * what happened. `newId` gives an id for each. An effect that did nothing is expected to look as it did, half-way.
 */
export const expectationsFrom = (
  effect: Effect,
  chronicle: Chronicle,
  duration: Seconds,
  newId: () => string,
): Expectation[] => {
  const expected: Expectation[] = [];
  const inside = (t: Seconds): Seconds => tenth(Math.min(Math.max(0, t), duration));
  const fired = new Map<CueId, Seconds>();
  for (const { cue, time, back } of chronicle.firings)
    if (!back && !fired.has(cue) && effect.cues[cue]) fired.set(cue, time);
  for (const [cue, time] of [...fired].slice(0, MOST))
    expected.push({
      id: newId(),
      kind: 'fired',
      cue,
      hasFired: true,
      from: inside(time - SLACK),
      to: inside(time + SLACK),
    });
  for (const cue of Object.values(effect.cues)
    .filter(({ id }) => !fired.has(id))
    .slice(0, MOST))
    expected.push({
      id: newId(),
      kind: 'fired',
      cue: cue.id,
      hasFired: false,
      from: 0,
      to: inside(duration),
    });
  const shown = new Map<ObjectId, { at: Seconds; isSeen: boolean }>();
  for (const { kind, target, time, what } of chronicle.acts)
    if (target !== null && what === 'begins' && (kind === 'show' || kind === 'hide'))
      shown.set(target, { at: time, isSeen: kind === 'show' });
  for (const [object, { at, isSeen }] of [...shown].slice(0, MOST))
    if (inside(at + SLACK) < duration)
      expected.push({
        id: newId(),
        kind: 'seen',
        object,
        isSeen,
        from: inside(at + SLACK),
        to: inside(at + SLACK + LOOK),
      });
  const last = Math.max(...fired.values());
  expected.push({
    id: newId(),
    kind: 'looks',
    at: inside(Number.isFinite(last) ? last + LOOK : duration / 2),
    tolerance: USUAL_TOLERANCE,
    pictures: [],
  });
  return expected;
};
