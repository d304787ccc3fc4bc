/**
 * The benches' fields of every trigger, action, control, material and grade, gone through as a creator would.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, describe, expect, test } from '@jest/globals';
import { computed, defineComponent, h, type Component } from 'vue';
import { READY_NAMES, readyTrigger } from '../../../core/kinds/triggers/ready-triggers';
import { blankEffect } from '../../../core/document/defaults';
import { newBeat, newControl, newCue, newDrive, newPrompt } from '../../../core/document/new-cues';
import { newSignal } from '../../../core/kinds/signals/signals';
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
  type ControlId,
  type CueId,
  type DriveId,
  type Effect,
  type Grade,
  type MaterialId,
  type ObjectId,
  type PromptId,
} from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { mounted, openEffect, proveFields, type Asked } from '../testing';
import CueCard from './behave/CueCard.vue';
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
/** The component follows the document, as it does on the bench. */
const following = (component: Component, props: () => Record<string, unknown>) =>
  defineComponent(() => {
    const now = computed(props);
    return () => h(component as never, now.value);
  });
const named = ({ numbers, choices, colours }: Asked): string[] => {
  const all = [...numbers, ...choices, ...colours];
  expect(all.filter((name) => !name)).toEqual([]);
  return all;
};
const store = () => useEffectStore();

afterEach(() => store().close());

test.each(READY_NAMES)(
  'a cue set off by %s: its fields are kept, shown, valid, and undone in one step',
  async (name) => {
    openEffect(effectWith({ cues: { [CUE]: newCue(CUE, name, 0, []) } }));
    useDeskStore().behave.cue = CUE;
    named(await proveFields(() => mounted(following(CueCard, () => ({ cue: store().effect.cues[CUE]! })))));
  },
);

test.each(ACTION_KINDS)(
  'a cue that does %s: its fields are kept, shown, valid, and undone in one step',
  async (kind) => {
    const action = newAction('act_first', kind, CARD);
    openEffect(
      effectWith({ cues: { [CUE]: newCue(CUE, 'screenTapped', 0, [newBeat('beat_first', [action])]) } }),
    );
    Object.assign(useDeskStore().behave, { cue: CUE, action: action.id });
    const names = named(
      await proveFields(() => mounted(following(CueCard, () => ({ cue: store().effect.cues[CUE]! })))),
    );
    expect(names.length).toBeGreaterThan(0);
  },
);

const CROSSES = readyTrigger('signalCrosses');
if (CROSSES.kind !== 'level') throw new Error('A signal crosses a level.');
/** Drives and prompts have the fields of signals by the same component: kinds with the most different fields stand for all there. */
test.each(['object', 'expression', 'picture', 'control', 'angle'] as const)(
  'a number driven by the signal %s',
  async (kind) => {
    const signal = newSignal(kind, CARD);
    const drive = newDrive(DRIVE, 0, signal, { kind: 'number', objects: [CARD], property: 'size' });
    openEffect(effectWith({ drives: { [DRIVE]: drive } }));
    named(
      await proveFields(() => mounted(following(DriveRow, () => ({ drive: store().effect.drives[DRIVE]! })))),
    );
  },
);
describe.each(SIGNAL_KINDS)('the signal %s', (kind) => {
  const signal = newSignal(kind, CARD);
  test('sets a cue off when it crosses a level', async () => {
    const cue = { ...newCue(CUE, 'signalCrosses', 0, []), triggers: [{ ...CROSSES, signal }] };
    openEffect(effectWith({ cues: { [CUE]: cue } }));
    useDeskStore().behave.cue = CUE;
    named(await proveFields(() => mounted(following(CueCard, () => ({ cue: store().effect.cues[CUE]! })))));
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
