/** What kinds of writables ask of a document. */
import type { WritableFacts } from '../kinds/writables/writable-kind';
import type { Effect } from './schema';

export const writableFacts = (effect: Effect): WritableFacts => ({
  object: (id) => effect.objects[id],
  duration: (cue, id) => {
    const beats = cue === null ? [] : (effect.cues[cue]?.beats ?? []);
    return beats.flatMap((beat) => beat.actions).find((action) => action.id === id)?.duration ?? null;
  },
});
