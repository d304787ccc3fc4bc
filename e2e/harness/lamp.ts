/** A bar across the picture that a tap shows: for rehearsals. */
import { blankEffect } from '../../src/core/document/defaults';
import { newCue } from '../../src/core/document/new-cues';
import type { CueId, Effect, ObjectId } from '../../src/core/document/schema';
import { newAction } from '../../src/core/kinds/actions/actions';
import { newFill } from '../../src/core/kinds/objects/fill';

export const BAR = 'obj_bar1' as ObjectId;
export const CUE = 'cue_tapped' as CueId;

export const lamp: Effect = {
  ...blankEffect('Low lamp'),
  objects: {
    [BAR]: {
      ...newFill(BAR, 0, { kind: 'screen', pin: 'centre' }),
      name: 'Bar',
      tint: '#ff00ff',
      visible: false,
      extent: [0.06, 0.02],
      fit: 'free',
    },
  },
  cues: {
    [CUE]: {
      ...newCue(CUE, 'screenTapped', 0, [
        { id: 'beat_one1', actions: [newAction('act_show1', 'show', BAR)] },
      ]),
      name: 'Lamp on',
    },
  },
};
