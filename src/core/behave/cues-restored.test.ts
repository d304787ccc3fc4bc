/** Cues that meet what is not there, and that are put back to any step. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newControl, newDrive, newPrompt, newVariable } from '../document/new-cues';
import { newFountain } from '../kinds/objects/fountain';
import type { ControlId, CueId, DriveId, ObjectId, PromptId, Trigger, VariableId } from '../document/schema';
import type { Inputs } from '../program/inputs';
import { compile } from '../program/program';
import { readyTrigger } from '../kinds/triggers/ready-triggers';
import { Runtime } from './runtime';
import { card, cueOf, effectOf, faceWith, pass, TAP, FADE, running, type Told } from './testing';

const id = <T>(text: string): T => text as T;

describe('bad input', () => {
  test.each([0, 1e9, 3600, 1e-9])('a duration of %d s leaves sane values', (duration) => {
    for (const kind of [
      'move',
      'turn',
      'size',
      'circle',
      'shake',
      'sway',
      'bounce',
      'follow',
      'colour',
      'pose',
    ] as const)
      for (const repeat of [0, 1, 5]) {
        const runtime = running([cueOf('effectStarts', [[{ kind, duration, repeat } as Told]])]);
        const now = pass(runtime, 0.5);
        for (const v of [...now.move, ...now.turn, ...now.scale, now.opacity])
          expect(Number.isFinite(v)).toBe(true);
      }
  });
  test('a target, cue, control, scene or variable that is gone is left out', () => {
    const gone: Told[] = [
      { kind: 'hide', targets: [id<ObjectId>('obj_gone')] },
      { kind: 'cue', cue: id<CueId>('cue_gone'), do: 'start' } as Told,
      { kind: 'variable', variable: id<VariableId>('variable_gone') } as Told,
      { kind: 'prompt', prompt: id<PromptId>('prompt_gone') } as Told,
      { kind: 'scene', scene: 'scene_gone' } as unknown as Told,
      { kind: 'follow', object: id<ObjectId>('obj_gone') } as Told,
      { kind: 'circle', around: 'object', object: id<ObjectId>('obj_gone') } as Told,
      FADE,
    ];
    expect(pass(running([cueOf('effectStarts', [gone])]), 2).opacity).toBe(0);
  });
});

describe('restored at any step', () => {
  test('it goes on exactly as one that was not interrupted', () => {
    const slider = newControl(id<ControlId>('control_aaaa'), 'slider', 'S', 0);
    const variable = newVariable(id<VariableId>('variable_aaaa'), 'V', 0);
    const fountain = {
      ...newFountain(id<ObjectId>('obj_fount'), 1, { kind: 'screen', pin: 'centre' }),
      rate: 50,
    };
    const cues = [
      cueOf('screenTapped', [[{ kind: 'move', repeat: 3, thereAndBack: true } as Told], [FADE]], {
        fires: 'toggle',
      }),
      cueOf('mouthOpens', [[{ kind: 'sway' } as Told, { kind: 'shake' } as Told]], {
        id: id<CueId>('cue_open'),
        resets: [readyTrigger('mouthCloses')],
      }),
      cueOf(
        'controlChanges',
        [
          [
            { kind: 'burst', targets: [fountain.id], count: 9 } as Told,
            { kind: 'variable', variable: variable.id, mode: 'by', value: 1 } as Told,
          ],
        ],
        {
          id: id<CueId>('cue_ctl1'),
          triggers: [{ kind: 'control', control: slider.id }],
          cooldown: 0.1,
        },
      ),
      cueOf('variableChanges', [[{ kind: 'follow', object: fountain.id, swings: 1 } as Told]], {
        id: id<CueId>('cue_var1'),
        triggers: [{ kind: 'variable', variable: variable.id }],
      }),
      cueOf('nods', [[{ kind: 'number', property: 'size', mode: 'to', value: 2 } as Told]], {
        id: id<CueId>('cue_nods'),
      }),
    ];
    const drive = {
      ...newDrive(
        id<DriveId>('drive_aaaa'),
        0,
        { kind: 'control', control: slider.id },
        { kind: 'number', objects: [fountain.id], property: 'rate' },
      ),
      lag: 0.3,
    };
    const program = compile(
      effectOf(cues, [card(), fountain], {
        controls: { [slider.id]: slider },
        variables: { [variable.id]: variable },
        drives: { [drive.id]: drive },
        prompts: { prompt_aaaa: newPrompt(id<PromptId>('prompt_aaaa'), 0) },
      } as never),
    );
    const move = fc.record({
      jaw: fc.constantFrom(0, 0.3, 0.9),
      tap: fc.boolean(),
      set: fc.option(fc.double({ min: 0, max: 1, noNaN: true }), { nil: null }),
    });
    const inputs = (m: { tap: boolean; set: number | null }): Inputs => ({
      taps: m.tap ? TAP.taps : [],
      fingers: [],
      ...(m.set === null ? {} : { controls: [{ control: slider.id, value: m.set }] }),
    });
    fc.assert(
      fc.property(fc.array(move, { minLength: 1, maxLength: 90 }), fc.nat(90), (moves, cut) => {
        const whole = new Runtime(program);
        let broken = new Runtime(program);
        moves.forEach((m, i) => {
          if (i === cut) {
            const saved = broken.save();
            // What goes on does not change what was saved.
            broken.step(faceWith({ jawOpen: m.jaw }), inputs(m));
            broken = new Runtime(program);
            broken.restore(structuredClone(saved));
          }
          const frame = faceWith({ jawOpen: m.jaw });
          expect(broken.step(frame, inputs(m))).toEqual(whole.step(frame, inputs(m)));
        });
        expect(JSON.stringify(broken.save())).toBe(JSON.stringify(whole.save()));
      }),
      { numRuns: 30 },
    );
  });
});

test('triggers are watched by plain data that goes through JSON', () => {
  const trigger: Trigger = readyTrigger('mouthOpens');
  const runtime = running([cueOf('effectStarts', [[FADE]], { triggers: [trigger] })]);
  pass(runtime, 0.2, faceWith({ jawOpen: 0.9 }));
  const saved = runtime.save();
  expect(JSON.parse(JSON.stringify(saved.states.cues))).toEqual(saved.states.cues);
});
