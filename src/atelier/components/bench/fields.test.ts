/**
 * The benches' fields of every trigger, action, control, material and grade, gone through as a creator would.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, describe, expect, test } from '@jest/globals';
import { READY_NAMES, readyTrigger, type ReadyTrigger } from '../../../core/kinds/triggers/ready-triggers';
import { blankEffect } from '../../../core/document/defaults';
import { newBeat, newControl, newCue, newDrive, newPrompt } from '../../../core/document/new-cues';
import { newSignal } from '../../../core/kinds/signals/signals';
import { putCue } from '../../../core/edits/cue-edits';
import { newAction } from '../../../core/kinds/actions/actions';
import { newGradeStep } from '../../../core/edits/new-grade-step';
import { newMaterial } from '../../../core/document/new-material';
import { newCard } from '../../../core/kinds/objects/card';
import { newGrade } from '../../../core/kinds/objects/grade';
import { newModel } from '../../../core/kinds/objects/model';
import { sampleModel } from '../../../core/document/sample-assets';
import { sampleAsset } from '../../../core/document/sample';
import {
  ACTION_KINDS,
  GRADE_STEP_KINDS,
  SIGNAL_KINDS,
  type Action,
  type ControlId,
  type Cue,
  type CueId,
  type DriveId,
  type Effect,
  type Grade,
  type MaterialId,
  type ObjectId,
  type PromptId,
  type Trigger,
} from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { following, mounted, openEffect, proveFields, type Asked } from '../testing';
import ActionEditor from './behave/action/ActionEditor.vue';
import TriggerList from './behave/TriggerList.vue';
import ControlCard from './behave/viewer/ControlCard.vue';
import DriveRow from './behave/viewer/DriveRow.vue';
import PromptCard from './behave/viewer/PromptCard.vue';
import GradeStepCard from './style/grade/GradeStepCard.vue';
import MaterialNumbers from './style/material/MaterialNumbers.vue';

const CARD = 'obj_card' as ObjectId;
const MODEL = 'obj_model' as ObjectId;
const GRADE = 'obj_grade' as ObjectId;
const CUE = 'cue_first' as CueId;
const CONTROL = 'control_first' as ControlId;
const DRIVE = 'drive_first' as DriveId;
const PROMPT = 'prompt_first' as PromptId;
const MATERIAL = 'material_first' as MaterialId;

/** A card and a model, with what a test adds. */
const effectWith = (more: Partial<Effect>): Effect => {
  const [picture, model] = [sampleAsset(1), sampleModel(2)];
  return {
    ...blankEffect('Fields'),
    assets: { [picture.id]: picture, [model.id]: model },
    ...more,
    objects: { [CARD]: newCard(CARD, picture, 0), [MODEL]: newModel(MODEL, model, 1), ...more.objects },
  };
};
const named = ({ numbers, choices, colours }: Asked): string[] => {
  const all = [...numbers, ...choices, ...colours];
  expect(all.filter((name) => !name)).toEqual([]);
  return all;
};
const store = () => useEffectStore();

afterEach(() => store().close());

/** The cue that is open, with a change in it. */
const putInCue = (change: Partial<Cue>, gesture: string | null): void => {
  store().edit(putCue({ ...store().effect.cues[CUE]!, ...change }), gesture);
};
/** What sets the cue off, as its card opens it. */
const triggers = () =>
  mounted(
    following(TriggerList, () => ({
      label: 'What sets it off',
      triggers: store().effect.cues[CUE]!.triggers,
      gesture: 'when',
      onChange: (to: Trigger[], gesture: string | null) => putInCue({ triggers: to }, gesture),
    })),
  );

/** Triggers of one kind, about one signal, have the same fields: the first stands for all. */
const shapeOf = (name: ReadyTrigger): string => {
  const trigger = readyTrigger(name);
  return trigger.kind === 'level' ? `level of ${trigger.signal.kind}` : trigger.kind;
};
const DIFFERENT = READY_NAMES.filter(
  (name, i) => READY_NAMES.findIndex((other) => shapeOf(other) === shapeOf(name)) === i,
);
test.each(DIFFERENT)(
  'a cue set off by %s: its fields are kept, shown, valid, and undone in one step',
  async (name) => {
    openEffect(effectWith({ cues: { [CUE]: newCue(CUE, name, 0, []) } }));
    expect(named(await proveFields(triggers))).toContain('What sets it off: When');
  },
);

test.each(ACTION_KINDS)(
  'a cue that does %s: its fields are kept, shown, valid, and undone in one step',
  async (kind) => {
    const made = newAction('act_first', kind, CARD);
    openEffect(
      effectWith({ cues: { [CUE]: newCue(CUE, 'screenTapped', 0, [newBeat('beat_first', [made])]) } }),
    );
    const beat = () => store().effect.cues[CUE]!.beats[0]!;
    const editor = () =>
      mounted(
        following(ActionEditor, () => ({
          action: beat().actions[0]!,
          beat: null,
          onChange: (action: Action, gesture: string | null) =>
            putInCue({ beats: [{ ...beat(), actions: [action] }] }, gesture),
        })),
      );
    expect(named(await proveFields(editor)).length).toBeGreaterThan(0);
  },
);

const CROSSES = readyTrigger('signalCrosses');
if (CROSSES.kind !== 'level') throw new Error('A signal crosses a level.');
/** Faces that are less than so far apart are a ready trigger, which has other fields. */
const CROSSING = SIGNAL_KINDS.filter((kind) => kind !== 'facesApart');
test.each(CROSSING)('a cue set off when the signal %s crosses a level', async (kind) => {
  const cue = {
    ...newCue(CUE, 'signalCrosses', 0, []),
    triggers: [{ ...CROSSES, signal: newSignal(kind, CARD) }],
  };
  openEffect(effectWith({ cues: { [CUE]: cue } }));
  expect(named(await proveFields(triggers)).length).toBeGreaterThan(1);
});

/** Drives and prompts ask for signals by the same fields: kinds with the most different ones stand for all there. */
describe.each(['object', 'expression', 'picture', 'control', 'angle'] as const)('the signal %s', (kind) => {
  const signal = newSignal(kind, CARD);
  test('drives a number', async () => {
    const drive = newDrive(DRIVE, 0, signal, { kind: 'number', objects: [CARD], property: 'size' });
    openEffect(effectWith({ drives: { [DRIVE]: drive } }));
    named(
      await proveFields(() => mounted(following(DriveRow, () => ({ drive: store().effect.drives[DRIVE]! })))),
    );
  });
  test('is a condition of a prompt', async () => {
    const prompt = { ...newPrompt(PROMPT, 0), onlyIf: [{ signal, is: 'above' as const, value: 0.5 }] };
    openEffect(effectWith({ prompts: { [PROMPT]: prompt } }));
    named(
      await proveFields(() =>
        mounted(following(PromptCard, () => ({ prompt: store().effect.prompts[PROMPT]! }))),
      ),
    );
  });
});

describe('what viewers use', () => {
  test.each(['button', 'switch', 'slider', 'choice'] as const)('a %s', async (kind) => {
    openEffect(effectWith({ controls: { [CONTROL]: newControl(CONTROL, kind, 'Waves', 0) } }));
    named(
      await proveFields(() =>
        mounted(following(ControlCard, () => ({ control: store().effect.controls[CONTROL]! }))),
      ),
    );
  });
  test('a prompt', async () => {
    openEffect(effectWith({ prompts: { [PROMPT]: newPrompt(PROMPT, 0) } }));
    named(
      await proveFields(() =>
        mounted(following(PromptCard, () => ({ prompt: store().effect.prompts[PROMPT]! }))),
      ),
    );
  });
});

test('a material: every number and colour of it', async () => {
  openEffect(effectWith({ materials: { [MATERIAL]: newMaterial(MATERIAL, 'Pearl') } }));
  useDeskStore().style.material = MATERIAL;
  const names = named(
    await proveFields(() =>
      mounted(following(MaterialNumbers, () => ({ material: store().effect.materials[MATERIAL]! }))),
    ),
  );
  expect(names.length).toBeGreaterThan(5);
});

test.each(GRADE_STEP_KINDS)('a grade step, %s', async (kind) => {
  const grade = newGrade(GRADE, 2, [newGradeStep('step_first', kind)]);
  openEffect(effectWith({ objects: { [GRADE]: grade } }));
  const now = () => store().effect.objects[GRADE] as Grade;
  named(
    await proveFields(() =>
      mounted(
        following(GradeStepCard, () => ({
          grade: now(),
          step: now().steps[0]!,
          place: 0,
          first: true,
          last: true,
        })),
      ),
    ),
  );
});
