/**
 * The state of a runtime carried over to a program that was changed while it ran: on a camera, where nothing can be run again. What
 * behaviour has made of things goes on; what it has not touched is as the changed document says.
 */
import type { CompiledCue, Program } from './program';
import { firstValues } from './first-values';
import { Runtime, type Snapshot } from './runtime';
import type { CueState } from './cue-run';
import type { Values } from './values';

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Each field that still was as the document said follows the document; the others stay. */
const carriedValues = (was: Values, first: Values, fresh: Values): Values => {
  const carried = { ...fresh };
  for (const field of Object.keys(fresh) as (keyof Values)[])
    if (!same(was[field], first[field])) Object.assign(carried, { [field]: was[field] });
  return carried;
};

/** What a state of a cue is tied to: how many triggers, which beats, which actions on which objects. */
const shapeOf = ({ cue, beats }: CompiledCue, { objects }: Program): string =>
  JSON.stringify([
    cue.triggers.map((t) => t.kind),
    cue.resets.map((t) => t.kind),
    beats.map((b) => [b.id, b.actions.map((a) => [a.action.id, a.action.kind, objects[a.target]?.id])]),
  ]);

/** `snapshot` is of a runtime of `before`; the answer is to be restored in one of `after`. */
export const carriedOver = (before: Program, snapshot: Snapshot, after: Program): Snapshot => {
  const fresh = new Runtime(after).save();
  const was = (id: Program['objects'][number]['id']): number | null => before.indexOf.get(id) ?? null;
  const byIndex = <T>(map: Readonly<Record<number, T>>): Record<number, T> =>
    Object.fromEntries(
      after.objects.flatMap((object, i) => {
        const old = was(object.id);
        return old !== null && map[old] !== undefined && before.objects[old]!.kind === object.kind
          ? [[i, map[old]]]
          : [];
      }),
    );
  const values = after.objects.map((object, i): Values => {
    const old = was(object.id);
    if (old === null || before.objects[old]!.kind !== object.kind) return fresh.values[i]!;
    const first = firstValues(before.effect, before.objects[old]!);
    return carriedValues(snapshot.values[old]!, first, fresh.values[i]!);
  });
  const cues = after.cues.map((cue, i): CueState => {
    const old = before.cues.findIndex((c) => c.id === cue.id);
    const fits = old >= 0 && shapeOf(before.cues[old]!, before) === shapeOf(cue, after);
    return fits ? snapshot.cues[old]! : fresh.cues[i]!;
  });
  const byId = <T>(
    of: (p: Program) => readonly { readonly id: string }[],
    old: readonly T[],
    now: readonly T[],
  ): T[] =>
    of(after).map(({ id }, i) => {
      const at = of(before).findIndex((x) => x.id === id);
      return at >= 0 ? old[at]! : now[i]!;
    });
  const { grip, hands } = snapshot.hands;
  const held = grip && was(before.objects[grip.object]!.id) !== null;
  const heldNow = held ? after.indexOf.get(before.objects[grip.object]!.id) : undefined;
  return {
    ...snapshot,
    values,
    finals: fresh.finals,
    cues,
    hands: { hands: byIndex(hands), grip: heldNow === undefined ? null : { ...grip!, object: heldNow } },
    scene: snapshot.scene !== null && after.effect.scenes[snapshot.scene] ? snapshot.scene : fresh.scene,
    variables: byId((p) => p.variables, snapshot.variables, fresh.variables),
    controls: byId((p) => p.controls, snapshot.controls, fresh.controls),
    prompts: byId((p) => p.prompts, snapshot.prompts, fresh.prompts),
    began: [],
    ended: [],
    fountains: byIndex(snapshot.fountains),
  };
};
