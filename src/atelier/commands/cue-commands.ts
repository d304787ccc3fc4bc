/** Beginning, copying and pasting cues. */
import { addRecipe, type Recipe } from '../../core/behave/recipes/recipes';
import type { ReadyTrigger } from '../../core/kinds/triggers/ready-triggers';
import { copiedCue, pasteBeat, pasteCues, putCue, type CuePiece } from '../../core/edits/cue-edits';
import { newCue } from '../../core/document/new-cues';
import { newAction } from '../../core/kinds/actions/actions';
import { cueOrder, orderBetween } from '../../core/document/queries';
import {
  beatSchema,
  cueSchema,
  type Beat,
  type Cue,
  type CueId,
  type ObjectId,
} from '../../core/document/schema';
import { newCueId, newId, newPartId } from '../api/ids';
import { useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';
import { cutText } from '../../core/text';

/** A cue that shows the objects when the mouth opens: the commonest beginning, changed from there. */
export const addCueFor = (targets: readonly ObjectId[], trigger: ReadyTrigger = 'mouthOpens'): CueId => {
  const effectStore = useEffectStore();
  const id = newCueId();
  const order = (cueOrder(effectStore.effect).at(-1)?.order ?? 0) + 1;
  const action = { ...newAction(newPartId('act'), 'show', null), targets: [...targets] };
  effectStore.edit(
    putCue(newCue(id, trigger, order, [{ id: newPartId('beat'), actions: [action] }]), 'Add cue'),
  );
  const { behave } = useDeskStore();
  Object.assign(behave, { section: 'cues', cue: id, action: action.id, fresh: id });
  return id;
};

export const addRecipeFor = (
  recipe: Pick<Recipe, 'when' | 'then'>,
  targets: readonly ObjectId[],
): CueId | null => {
  const effectStore = useEffectStore();
  const made: CueId[] = [];
  effectStore.edit(addRecipe(effectStore.effect, recipe, targets, newId, made));
  return made[0] ?? null;
};

/** Just below the original. */
export const duplicateCue = (cue: Cue): CueId => {
  const effectStore = useEffectStore();
  const id = newCueId();
  const all = cueOrder(effectStore.effect);
  const next = all[all.findIndex((c) => c.id === cue.id) + 1];
  const order = next ? orderBetween(cue.order, next.order) : cue.order + 1;
  const name = cue.name === '' ? '' : cutText(`${cue.name} 2`, 80);
  effectStore.edit(putCue({ ...copiedCue(cue, id, order, newId), name }, 'Duplicate cue'));
  return id;
};

/** Cues are kept as text in this browser, so that they can go to another effect too. */
const MARK = 'iconia-cues';

export const copyCues = (cues: readonly Cue[]): void => {
  localStorage.setItem(MARK, JSON.stringify({ [MARK]: cues }));
  useDeskStore().copiedCues = cues.length;
};

const readPiece = (text: string | null): CuePiece | null => {
  try {
    const parsed = cueSchema
      .array()
      .min(1)
      .max(100)
      .safeParse((JSON.parse(text ?? 'null') as Record<string, unknown>)[MARK]);
    return parsed.success ? { cues: parsed.data } : null;
  } catch {
    return null;
  }
};

const BEAT = 'iconia-beat';
export const copyBeat = (beat: Beat): void => {
  localStorage.setItem(BEAT, JSON.stringify(beat));
  useDeskStore().copiedBeat = true;
};
/** Behind another beat of the cue. False when there is nothing to paste. */
export const pasteCopiedBeat = (cue: CueId, after: string): boolean => {
  const effectStore = useEffectStore();
  try {
    const parsed = beatSchema.safeParse(JSON.parse(localStorage.getItem(BEAT) ?? 'null'));
    if (!parsed.success) return false;
    effectStore.edit(pasteBeat(effectStore.effect, cue, parsed.data, after, newId));
    return true;
  } catch {
    return false;
  }
};

/** Pastes what was copied, here or in another effect; onto `target` when one is given. False when there is nothing. */
export const pasteCopiedCues = (target: ObjectId | null): boolean => {
  const effectStore = useEffectStore();
  const piece = readPiece(localStorage.getItem(MARK));
  if (!piece) return false;
  effectStore.edit(pasteCues(effectStore.effect, piece, newId, target));
  return true;
};
