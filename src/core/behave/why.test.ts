import { describe, expect, test } from '@jest/globals';
import { newControl } from '../document/new-cues';
import { newGroup } from '../kinds/objects/group';
import type { Action, ActionKind, ControlId, Cue, CueId, Effect, ObjectId } from '../document/schema';
import { FIRST_TAKE } from '../takes/library';
import { recordedTaps } from './recorded';
import { chronicleOf } from './chronicle';
import { isNote, standingReasons } from './explain';
import { readyTrigger } from '../kinds/triggers/ready-triggers';
import { CARD, card, cueOf, effectOf } from './testing';
import { whyCue, whyObject, type ObjectState } from './why';

type Told = Partial<Action> & { readonly kind: ActionKind };
const FADE: Told = { kind: 'fade', opacity: 0.5, duration: 0.2 } as Told;
const codes = (effect: Effect, cue: Cue): string[] => standingReasons(effect, cue).map((r) => r.code);
const alone = (cue: Cue, more: Partial<Effect> = {}, objects = [card()]) =>
  codes(effectOf([cue], objects, more), cue);
const recorded = recordedTaps([{ time: 1, x: 0.5, y: 0.5 }]);

describe('read off the document', () => {
  test('nothing sets it off, unless another cue does', () => {
    const cue = cueOf('effectStarts', [[FADE]], { triggers: [] });
    expect(alone(cue)).toEqual(['no-triggers']);
    const other = cueOf('screenTapped', [[{ kind: 'cue', cue: cue.id, do: 'start' } as Told]], {
      id: 'cue_other' as CueId,
    });
    expect(codes(effectOf([cue, other]), cue)).toEqual([]);
  });
  test('what a trigger, a condition or an action names is not there', () => {
    expect(alone(cueOf('objectTapped', [[FADE]]))).toEqual(['trigger-lacks']);
    const gone = cueOf('screenTapped', [[FADE]], {
      conditions: [{ signal: { kind: 'variable', variable: null }, is: 'above', value: 0 }],
    });
    expect(alone(gone)).toEqual(['condition-lacks']);
    for (const kind of ['scene', 'cue', 'prompt', 'variable'] as const)
      expect(alone(cueOf('screenTapped', [[{ kind }]]))).toEqual(['action-lacks']);
  });
  test('a level that can never be reached, a condition that can never hold', () => {
    const level = { ...readyTrigger('mouthOpens'), level: 1.2 } as Cue['triggers'][number];
    expect(alone(cueOf('effectStarts', [[FADE]], { triggers: [level] }))).toEqual(['out-of-reach']);
    const control = newControl('control_aaaa' as ControlId, 'slider', 'S', 0);
    const cue = (value: number) =>
      cueOf('screenTapped', [[FADE]], {
        conditions: [{ signal: { kind: 'control', control: control.id }, is: 'above', value }],
      });
    const controls = { controls: { [control.id]: control } } as Partial<Effect>;
    expect(alone(cue(1), controls)).toEqual(['out-of-reach']);
    expect(alone(cue(0.9), controls)).toEqual([]);
  });
  test('an action that does nothing to such a thing', () => {
    for (const told of [
      { kind: 'burst' },
      { kind: 'flow' },
      { kind: 'picture' },
      { kind: 'play' },
      { kind: 'number', property: 'arc' },
    ] as Told[])
      expect(alone(cueOf('screenTapped', [[told]]))).toContain('wrong-kind');
    expect(alone(cueOf('screenTapped', [[{ kind: 'colour' }]]))).toEqual([]);
    const group = newGroup(CARD, 'G', 0, { kind: 'screen', pin: 'centre' });
    expect(alone(cueOf('screenTapped', [[{ kind: 'colour' }]]), {}, [group])).toEqual(['wrong-kind']);
  });
  test('what is only worth knowing: without end, two that write the same, a beat that is off', () => {
    const sways = cueOf('screenTapped', [[{ kind: 'sway' }]]);
    expect(alone(sways)).toEqual(['endless']);
    expect(alone({ ...sways, resets: [readyTrigger('mouthOpens')] })).toEqual([]);
    expect(alone({ ...sways, fires: 'toggle' })).toEqual([]);
    expect(alone({ ...sways, triggers: [{ kind: 'effectStarts' }] })).toEqual([]);
    const one = cueOf('screenTapped', [[FADE]]);
    const two = cueOf('screenTapped', [[FADE]], { id: 'cue_other' as CueId });
    const found = standingReasons(effectOf([one, two]), one);
    expect(found).toEqual([expect.objectContaining({ code: 'two-writers', other: 'cue_other' })]);
    expect(found.every(isNote)).toBe(true);
    const off = cueOf('screenTapped', [[FADE], [FADE]]);
    off.beats[1]!.enabled = false;
    expect(alone(off)).toEqual(['beat-off']);
  });
  test('it sets itself off', () => {
    const cue = cueOf('effectStarts', [[FADE]]);
    cue.triggers.push({ kind: 'cue', cue: cue.id, moment: 'ends', share: 0.5 });
    expect(alone(cue)).toEqual(['sets-itself-off']);
  });
});

describe('what happened on a take', () => {
  const why = (cue: Cue, more: Partial<Effect> = {}, time?: number) => {
    const effect = effectOf([cue], [card()], more);
    return whyCue(effect, cue, chronicleOf(effect, FIRST_TAKE, { recorded }), time);
  };
  test('a level not reached: the peak and when it was; for one that falls the lowest', () => {
    const high = cueOf('mouthOpens', [[FADE]]);
    Object.assign(high.triggers[0]!, { level: 0.99 });
    const [reason] = why(high);
    expect(reason).toMatchObject({ code: 'not-reached', trigger: 0, value: expect.closeTo(0.9, 2) });
    const at = (reason as { time: number }).time;
    expect(FIRST_TAKE.frameAt(at).faces[0]!.expressions.jawOpen).toBeCloseTo(0.9, 2);
    const low = cueOf('effectStarts', [[FADE]], {
      triggers: [
        {
          kind: 'level',
          signal: { kind: 'head', face: 1, of: 'distance' },
          when: 'falls',
          level: 0.01,
          slack: 0,
          hold: 0,
        },
      ],
    });
    const [near] = why(low);
    expect(near).toMatchObject({ code: 'not-reached' });
    expect((near as { value: number }).value).toBeGreaterThan(0.1);
  });
  test('it did not happen; set off but a condition did not hold, with what its signal was', () => {
    expect(why(cueOf('recordStarts', [[FADE]]))).toEqual([{ code: 'not-happened', trigger: 0 }]);
    const cue = cueOf('screenTapped', [[FADE]], {
      conditions: [{ signal: { kind: 'object', object: CARD, of: 'opacity' }, is: 'below', value: 0.5 }],
    });
    expect(why(cue)).toEqual([
      { code: 'refused', why: { code: 'condition', index: 0, value: 1 }, time: 1, times: 1 },
    ]);
  });
  test('before it fired it had not; after it there is nothing to say', () => {
    const cue = cueOf('screenTapped', [[FADE]]);
    expect(why(cue, {}, 0.5)).toEqual([{ code: 'not-happened', trigger: 0 }]);
    expect(why(cue, {}, 1.5)).toEqual([]);
  });
});

describe('why an object is as it is', () => {
  const seen =
    (visible: boolean, opacity = 1, inScene = true): (() => ObjectState) =>
    () => ({ visible, opacity, inScene });
  test('hidden by a cue at a time, while another that would show it has not fired, and why', () => {
    const hides = cueOf('effectStarts', [[{ kind: 'hide' }]], { id: 'cue_start' as CueId, name: 'start' });
    const shows = cueOf('mouthOpens', [[{ kind: 'show' }]]);
    Object.assign(shows.triggers[0]!, { level: 0.97 });
    const effect = effectOf([hides, shows]);
    const chain = whyObject(effect, effect.objects[CARD]!, chronicleOf(effect, FIRST_TAKE), 6, seen(false));
    expect(chain).toEqual([
      {
        code: 'acted',
        object: CARD,
        act: expect.objectContaining({ cue: 'cue_start', kind: 'hide', time: 0, what: 'begins' }),
      },
      { code: 'waits', cue: shows.id, reasons: [expect.objectContaining({ code: 'not-reached' })] },
    ]);
  });
  test('as it was placed; its group is hidden; another scene is on; faded out', () => {
    const group = {
      ...newGroup('obj_grp1' as ObjectId, 'G', 0, { kind: 'screen', pin: 'centre' } as const),
      visible: false,
    };
    const effect = effectOf(
      [cueOf('screenTapped', [[{ ...FADE, opacity: 0 } as Told]])],
      [group, card(CARD, { parent: group.id })],
    );
    const chronicle = chronicleOf(effect, FIRST_TAKE, { recorded });
    const object = effect.objects[CARD]!;
    const chain = (time: number, state: (id: ObjectId) => ObjectState) =>
      whyObject(effect, object, chronicle, time, state).map((c) => c.code);
    expect(chain(0.5, (id) => seen(id !== group.id)())).toEqual(['placed', 'group-hidden', 'waits']);
    expect(chain(2, seen(true, 0))).toEqual(['placed', 'acted']);
    expect(chain(2, seen(true, 1, false))[0]).toBe('other-scene');
  });
  test('what returned, was turned back or reset is told as that', () => {
    const run = (more: Partial<Cue>, action: Told) => {
      const cue = cueOf('screenTapped', [[action]], more);
      const effect = effectOf([cue], [card(CARD, { visible: false })]);
      const chronicle = chronicleOf(effect, FIRST_TAKE, {
        recorded: [...recorded, ...recordedTaps([{ time: 3, x: 0.5, y: 0.5 }])],
      });
      const [first] = whyObject(effect, effect.objects[CARD]!, chronicle, 5, seen(false));
      return first?.code === 'acted' ? first.act.what : first?.code;
    };
    expect(run({}, { kind: 'show', duration: 0.5, after: 'return' })).toBe('returns');
    expect(run({ fires: 'toggle' }, { kind: 'show' })).toBe('turnsBack');
    expect(run({ resets: [{ kind: 'after', seconds: 4 }] }, { kind: 'show' })).toBe('resets');
  });
});
