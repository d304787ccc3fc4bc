/** New cues, actions, controls, prompts, variables and drives: as they are before a creator changes anything. */
import { newSignal } from '../kinds/signals/signals';
import { readyTrigger, type ReadyTrigger } from '../kinds/triggers/ready-triggers';
import type {
  Action,
  Beat,
  Condition,
  Control,
  ControlId,
  ControlKind,
  Cue,
  CueId,
  Drive,
  DriveId,
  ObjectId,
  Prompt,
  PromptId,
  Signal,
  Variable,
  VariableId,
} from './schema';

/** A beat that begins when the one before has ended. */
export const newBeat = (id: string, actions: readonly Action[]): Beat => ({
  id,
  name: '',
  begins: 1,
  enabled: true,
  actions: [...actions],
});

/** Of a beat, only what matters has to be said. */
export type BeatParts = Pick<Beat, 'id' | 'actions'> & Partial<Beat>;

/** A cue set off by a ready trigger, that fires each time. */
export const newCue = (
  id: CueId,
  trigger: ReadyTrigger,
  order: number,
  beats: readonly BeatParts[],
): Cue => ({
  id,
  name: '',
  order,
  enabled: true,
  group: '',
  note: '',
  colour: null,
  triggers: [readyTrigger(trigger)],
  conditions: [],
  match: 'all',
  fires: 'each',
  cooldown: 0,
  again: 'restart',
  resets: [],
  beats: beats.map((beat) => ({ ...newBeat(beat.id, beat.actions), ...beat })),
});

/** A variable that starts at 0. */
export const newVariable = (id: VariableId, name: string, order: number): Variable => ({
  id,
  name,
  order,
  start: 0,
});

/** A control as it is first offered: a slider from 0 to 1, two options, off. */
export const newControl = (id: ControlId, kind: ControlKind, name: string, order: number): Control => {
  const shared = { id, name, order, scene: null };
  switch (kind) {
    case 'slider':
      return {
        ...shared,
        kind,
        least: 0,
        most: 1,
        step: 0,
        start: 0.5,
        unit: '',
        lowIcon: null,
        highIcon: null,
        lowText: '',
        highText: '',
        showsName: true,
        showsValue: false,
      };
    case 'choice':
      return {
        ...shared,
        kind,
        options: [
          { name: 'One', picture: null },
          { name: 'Two', picture: null },
        ],
        start: 1,
      };
    case 'switch':
      return { ...shared, kind, start: false };
    case 'button':
      return { ...shared, kind };
  }
};

/** A prompt that is shown from the start. */
export const newPrompt = (id: PromptId, order: number): Prompt => ({
  id,
  order,
  text: { kind: 'ready', key: 'openMouth' },
  shownWhen: [{ kind: 'effectStarts' }],
  onlyIf: [],
  hiddenWhen: [readyTrigger('mouthOpens')],
  seconds: 0,
  place: 'top',
});

/** A drive from 0..1 to 0..1, in a straight line, that stays within its ends. */
export const newDrive = (id: DriveId, order: number, signal: Signal, to: Drive['to']): Drive => ({
  id,
  order,
  enabled: true,
  signal,
  remap: { from: [0, 1], to: [0, 1], curve: [0, 0, 1, 1], bounded: true },
  lag: 0,
  to,
});

/** A condition as it is first offered: that an object is shown, else that a face does something. */
export const newCondition = (object: ObjectId | null): Condition => ({
  signal: object === null ? newSignal('expression', null) : { kind: 'object', object, of: 'visible' },
  is: 'above',
  value: 0.5,
});
