import { describe, expect, test } from '@jest/globals';
import { blankEffect } from '../document/defaults';
import { newCutout } from '../kinds/objects/cutout';
import { newDrive, newPrompt } from '../document/new-cues';
import { newHandOccluder, newOccluder, newPeopleOccluder } from '../kinds/objects/occluder';
import { newHair } from '../kinds/objects/hair';
import { newIris } from '../kinds/objects/iris';
import { handAnchor, headAnchor } from '../kinds/objects/placed';
import { newLight } from '../kinds/objects/light';
import { newModel } from '../kinds/objects/model';
import { newCard } from '../kinds/objects/card';
import { newFill } from '../kinds/objects/fill';
import { newGroup } from '../kinds/objects/group';
import { newLive } from '../kinds/objects/live';
import { sampleModel } from '../document/sample-assets';
import { sampleAsset, sampleEffect } from '../document/sample';
import type {
  Anchor,
  CameraPart,
  DriveId,
  Effect,
  EffectObject,
  ObjectId,
  PromptId,
  Signal,
  TargetId,
  Trigger,
} from '../document/schema';
import { cueOf } from '../behave/testing';
import { requirementsOf, type Requirements } from './requirements';

const id = 'obj_only' as ObjectId;
const SHELL = 'target_shell' as TargetId;
const BEHIND = { kind: 'backdrop' } as const;
const withOnly = (...objects: EffectObject[]): Effect => ({
  ...blankEffect('Needs'),
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});
/** What is needed, by name; pictures by their ids, surfaces by their kinds. */
const needsOf = (effect: Effect): string[] => {
  const { pictures, surfaces, drawing: _drawing, ...others } = requirementsOf(effect);
  return [
    ...(Object.entries(others) as [keyof Requirements, boolean][]).filter(([, is]) => is).map(([n]) => n),
    ...pictures,
    ...surfaces,
  ].sort();
};
const stuckTo = (anchor: Anchor): Effect => withOnly({ ...newCard(id, sampleAsset(1), 0), anchor });
const live = (part: CameraPart): Effect =>
  withOnly({ ...newLive(id, part, 0), anchor: { kind: 'screen', pin: 'centre' } });

describe('what objects need', () => {
  test('nothing of nothing', () => expect(needsOf(withOnly())).toEqual([]));
  test.each<[Anchor, string[]]>([
    [headAnchor('nose' as never), ['faces']],
    [{ kind: 'skin', face: 'every', spot: [0.5, 0.5] }, ['faces']],
    [{ kind: 'world', surface: 'table' }, ['table']],
    [handAnchor('palm'), ['hands']],
    [{ kind: 'picture', target: SHELL }, [SHELL]],
    [{ kind: 'screen', pin: 'top' }, []],
    [BEHIND, ['people']],
  ])('by where they stick: %j', (anchor, needs) => expect(needsOf(stuckTo(anchor))).toEqual(needs));
  test('a light that reaches faces needs them, and what draws on them; any other needs neither', () => {
    const lamp = newLight('obj_lamp' as ObjectId, 'point', 0, { kind: 'screen', pin: 'centre' });
    const of = (onFaces: 'no' | 'beside') =>
      requirementsOf({ ...blankEffect('Lit'), objects: { [lamp.id]: { ...lamp, onFaces } } });
    expect(of('beside').faces).toBe(true);
    expect([...of('beside').drawing]).toEqual(expect.arrayContaining(['faces', 'camera']));
    expect(of('no').faces).toBe(false);
    expect(of('no').drawing.has('faces')).toBe(false);
  });
  test('by the part of the camera picture they show', () => {
    expect(['whole', 'face', 'person', 'background'].map((p) => needsOf(live(p as CameraPart)))).toEqual([
      [],
      ['faces'],
      ['people'],
      ['people'],
    ]);
  });
  test('what is drawn on a face needs faces, hair people as well', () => {
    expect(needsOf(withOnly(newIris(id, 0)))).toEqual(['faces']);
    expect(needsOf(withOnly(newHair(id, 0)))).toEqual(['faces', 'people']);
    expect(
      needsOf(withOnly({ ...newCutout(id, 'mouth' as never, 0), anchor: { kind: 'screen', pin: 'top' } })),
    ).toEqual(['faces']);
  });
  test('a head that hides needs faces, with its hair people, and what looks at the camera picture', () => {
    const head = newOccluder(id, 0);
    expect(needsOf(withOnly(head))).toEqual(['faces']);
    expect(needsOf(withOnly({ ...head, hair: true }))).toEqual(['faces', 'people']);
    expect([...requirementsOf(withOnly({ ...head, hair: true })).drawing]).toEqual(['camera']);
    expect([...requirementsOf(withOnly(head)).drawing]).toEqual([]);
  });
  test('people that hide what is behind them in a room are sought, and their faces say how far away they are; a hand asks for hands alone', () => {
    const floor = { kind: 'world', surface: 'floor' } as const;
    expect(needsOf(withOnly(newPeopleOccluder(id, 0, floor)))).toEqual(['faces', 'floor', 'people']);
    expect(needsOf(withOnly({ ...newHandOccluder(id, 0), hair: true }))).toEqual(['hands']);
  });
  test('an empty group behind people asks for nothing; what hangs in it does', () => {
    const group = newGroup('obj_group' as ObjectId, 'Group', 0, BEHIND);
    expect(needsOf(withOnly(group))).toEqual([]);
    expect(needsOf(withOnly(group, { ...newFill(id, 1), parent: group.id }))).toEqual(['people']);
  });
  test('what is lit may be lit as the camera picture is, which is measured: its lamps may go out; a card is not lit', () => {
    const model = newModel(id, sampleModel(1), 0);
    const lamp = newLight('obj_lamp' as ObjectId, 'directional', 1, { kind: 'screen', pin: 'centre' });
    const looks = (...objects: EffectObject[]) => requirementsOf(withOnly(...objects)).drawing.has('camera');
    expect(looks(model)).toBe(true);
    expect(looks(model, lamp)).toBe(true);
    expect(looks(lamp)).toBe(false);
    expect(looks(newCard(id, sampleAsset(1), 0))).toBe(false);
  });
  test('what is hidden may come at any moment', () =>
    expect(needsOf(withOnly({ ...newFill(id, 0, BEHIND), visible: false }))).toEqual(['people']));
});

describe('what behaviour needs', () => {
  const cue = (trigger: Trigger): Effect => ({
    ...blankEffect('Cue'),
    cues: { cue_test: { ...cueOf('screenTapped', []), triggers: [trigger] } } as never,
  });
  const LOUD: Signal = { kind: 'loudness' };
  test.each<[Trigger, string[]]>([
    [{ kind: 'face', face: 1, when: 'appears' }, ['faces']],
    [{ kind: 'head', gesture: 'nod', face: 2 }, ['faces']],
    [{ kind: 'picture', target: SHELL, when: 'lost' }, [SHELL]],
    [{ kind: 'picture', target: null, when: 'found' }, []],
    [{ kind: 'surface', surface: 'wall', when: 'found' }, ['wall']],
    [{ kind: 'screen', gesture: 'tap' }, []],
    [{ kind: 'after', seconds: 2 }, []],
    [
      {
        kind: 'level',
        signal: { kind: 'hand', shape: 'fist' as never },
        when: 'rises',
        level: 1,
        slack: 0,
        hold: 0,
      },
      ['hands'],
    ],
    [{ kind: 'level', signal: LOUD, when: 'rises', level: 0.5, slack: 0, hold: 0 }, ['microphone']],
  ])('triggers: %j', (trigger, needs) => expect(needsOf(cue(trigger))).toEqual(needs));

  test('wherever a signal is asked: resets, conditions, prompts, drives', () => {
    const level: Trigger = { kind: 'level', signal: LOUD, when: 'rises', level: 0.5, slack: 0, hold: 0 };
    const condition = { signal: LOUD, is: 'above', value: 0.5 } as never;
    const tapped = cueOf('screenTapped', []);
    const prompt = { ...newPrompt('prompt_a' as PromptId, 0), shownWhen: [], hiddenWhen: [] };
    const blank = blankEffect('Listens');
    const listening: Effect[] = [
      { ...blank, cues: { [tapped.id]: { ...tapped, resets: [level] } } },
      { ...blank, cues: { [tapped.id]: { ...tapped, conditions: [condition] } } },
      { ...blank, prompts: { [prompt.id]: { ...prompt, shownWhen: [level] } } },
      { ...blank, prompts: { [prompt.id]: { ...prompt, hiddenWhen: [level] } } },
      { ...blank, prompts: { [prompt.id]: { ...prompt, onlyIf: [condition] } } },
      {
        ...blank,
        drives: {
          drive_a: newDrive('drive_a' as DriveId, 0, LOUD, { kind: 'variable', variable: null } as never),
        },
      } as Effect,
    ];
    for (const effect of listening) expect(needsOf(effect)).toEqual(['microphone']);
    expect(needsOf({ ...blank, cues: { [tapped.id]: tapped } })).toEqual([]);
  });
});

test('a usual effect asks for faces and nothing else', () =>
  expect(needsOf(sampleEffect(5, 3))).toEqual(['faces']));
