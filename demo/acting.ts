/** Actions and cues of the demo effects, briefly. */
import { newAction } from '../src/core/kinds/actions/actions';
import type { Action, ActionKind, Cue, ObjectId } from '../src/core/document/schema';

export const act = (
  id: string,
  kind: ActionKind,
  targets: ObjectId | readonly ObjectId[] | null,
  more: Partial<Action> | Record<string, unknown> = {},
): Action => {
  const list = targets === null ? [] : typeof targets === 'string' ? [targets] : [...targets];
  return { ...newAction(`act_${id}`, kind, list[0] ?? null), targets: list, ...more } as Action;
};
export const byId = <T extends { readonly id: string }>(list: readonly T[]): Record<string, T> =>
  Object.fromEntries(list.map((one) => [one.id, one]));
export const named = (cue: Cue, name: string, more: Partial<Cue> = {}): Cue => ({ ...cue, name, ...more });
