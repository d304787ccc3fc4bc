import { z } from 'zod';
import { cueIdSchema } from '../../schema/behave-ids';
import { share } from '../../schema/properties';
import { toChoose } from '../../schema/references';
import { written } from '../written';
import { defineTrigger } from './trigger-kind';

export const CUE_MOMENTS = ['begins', 'ends', 'passes'] as const;

export const cue = defineTrigger({
  kind: 'cue',
  fields: {
    cue: toChoose(cueIdSchema, 'Which cue'),
    moment: z.enum(CUE_MOMENTS),
    /** Which part of it is behind, for `passes`. */
    share: share('How far the cue is', { driven: false }),
  },
  words: (trigger, names) =>
    `“${names.cue(trigger.cue)}” ${trigger.moment === 'passes' ? `is ${written(trigger.share * 100)} % done` : trigger.moment}`,
  unused: ({ moment }) => (moment === 'passes' ? [] : ['share']),
  gist: ({ moment }) => moment,
  watch: (trigger, { happened, cueIndex, progress }, state) => {
    const i = trigger.cue === null ? undefined : cueIndex(trigger.cue);
    if (i === undefined) return false;
    if (trigger.moment === 'begins') return happened.began.has(i);
    if (trigger.moment === 'ends') return happened.ended.has(i);
    const now = happened.ended.has(i) ? 1 : progress(i);
    // A new round begins below where the last one was left.
    const last = happened.began.has(i) ? 0 : (state.last ?? 0);
    const fired = now >= trigger.share && last < trigger.share && now > 0;
    return { state: { over: false, since: 0, last: now }, fired };
  },
});
