/** What an action acts on: a group hands on what it cannot do itself; how long it takes on what it plays. */
import { expect, test } from '@jest/globals';
import { CARD, card, cueOf, effectOf, running, STILL } from '../behave/testing';
import { longestOn, newAction, unsuited } from '../kinds/actions/actions';
import { newGroup } from '../kinds/objects/group';
import { newSolid } from '../kinds/objects/solid';
import { newSound } from '../kinds/objects/sound';
import { FOREHEAD } from '../kinds/objects/placed';
import { drivenLengths, durationDrives, reachedBy } from './behaviour-queries';
import { newSignal } from '../kinds/signals/signals';
import { newDrive } from './new-cues';
import { sampleModel } from './sample-assets';
import type { Action, CueId, Drive, DriveId, Effect, EffectObject, ObjectId, SequenceAsset } from './schema';

const SHELL = 'obj_shell' as ObjectId;
const [INNER, LAMP] = ['obj_inner', 'obj_lamp'] as ObjectId[];
const group = newGroup(SHELL, 'Shells', 0, FOREHEAD);
const held: EffectObject[] = [
  group,
  { ...card(CARD), parent: SHELL },
  { ...newGroup(INNER!, 'Inner', 1, FOREHEAD), parent: SHELL },
  { ...newSolid(LAMP!, 'sphere', 2), parent: INNER! },
];
const action = (kind: Action['kind'], more: Partial<Action> = {}): Action =>
  ({ ...newAction('act_one', kind, SHELL), ...more }) as Action;

test('the colour of a group is that of all that hangs in it; what a group can do itself it does', () => {
  const effect = effectOf([], held);
  expect(reachedBy(effect, action('colour')).map((o) => o.id)).toEqual([CARD, LAMP]);
  expect(reachedBy(effect, action('fade')).map((o) => o.id)).toEqual([SHELL]);
  expect(reachedBy(effect, action('burst'))).toEqual([]);
});
test('a cue that colours a group colours its members', () => {
  const runtime = running(
    [
      cueOf('effectStarts', [
        [{ kind: 'colour', colour: '#112233', duration: 0, targets: [SHELL] } as never],
      ]),
    ],
    {},
    held as never,
  );
  runtime.step(STILL);
  runtime.step(STILL);
  // In the order of the Stack: the group, the card, the inner group, the lamp.
  expect([1, 3].map((i) => runtime.values(i).colour)).toEqual(['#112233', '#112233']);
});
test('why an action can do nothing is said of the object', () => {
  const still = sampleModel(1);
  const known = { [still.id]: { ...still, clips: [] } };
  const model = { kind: 'model', asset: still.id, clip: null } as unknown as EffectObject;
  expect(unsuited(action('play'), model, known)).toBe('has no clip to play');
  expect(unsuited(action('play'), newSound(SHELL, null, 0, FOREHEAD), {})).toBe(
    'has no file yet: choose one',
  );
  expect(unsuited(action('picture'), card(), {})).toBe('shows no sequence of pictures: give it one');
  expect(unsuited(action('fade'), card(), {})).toBeNull();
});
test('what is played takes as long as it is, as often as it is played', () => {
  const waves = { id: 'asset_waves', kind: 'sequence', frames: 24, rate: 12 } as unknown as SequenceAsset;
  const assets = { [waves.id]: waves } as Effect['assets'];
  const shown = { ...card(), asset: waves.id } as EffectObject;
  const play = (more: object) => longestOn(action('play', more as never), [shown], assets);
  expect(play({})).toBeCloseTo(2, 9);
  expect(play({ times: 3, speed: 2 })).toBeCloseTo(3, 9);
  // Without end it is drawn as nothing, like all that is done at once.
  expect(play({ times: 0 })).toBe(0);
  expect(longestOn(action('move', { duration: 0.5, repeat: 0 }), [shown], assets)).toBe(0.5);
});

test('of what drives how long an action takes the last that is switched on counts', () => {
  const drive = (name: string, order: number, to: [number, number], enabled = true): Drive => {
    const plain = newDrive(`drive_${name}` as DriveId, order, newSignal('expression', null), {
      kind: 'duration',
      cue: 'cue_one' as CueId,
      action: 'act_one',
    });
    return { ...plain, enabled, remap: { ...plain.remap, to } };
  };
  const effect = {
    ...effectOf([]),
    drives: Object.fromEntries(
      [drive('late', 2, [8, 0.2]), drive('early', 1, [1, 2]), drive('off', 3, [5, 6], false)].map((d) => [
        d.id,
        d,
      ]),
    ),
  } as Effect;
  const found = durationDrives(effect);
  expect([...found.keys()]).toEqual(['act_one']);
  expect(drivenLengths(found.get('act_one')!)).toEqual([0.2, 8]);
  expect(drivenLengths(drive('below', 1, [-2, 3]))).toEqual([0, 3]);
});
