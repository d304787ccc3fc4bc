/** Beginning cues. */
import { putCue } from '../../core/document/edits';
import { newAction, newCue } from '../../core/document/defaults';
import { cueOrder } from '../../core/document/queries';
import type { CueId, ObjectId } from '../../core/document/schema';
import { newCueId, newPartId } from '../api/ids';
import { useEffectStore } from '../stores/effect';

/** A cue that shows the object when the mouth opens: the commonest beginning, changed from there. */
export const addCueFor = (target: ObjectId | null): CueId => {
  const document = useEffectStore();
  const id = newCueId();
  const order = (cueOrder(document.effect).at(-1)?.order ?? 0) + 1;
  const action = newAction(newPartId('act'), 'show', target);
  document.edit(putCue(newCue(id, 'mouthOpens', order, [{ id: newPartId('beat'), actions: [action] }])));
  return id;
};
