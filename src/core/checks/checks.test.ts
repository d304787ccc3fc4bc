import { standingReasons } from '../behave/explain';
import { CARD as TILE, card as behavingCard, cueOf, effectOf as behaving } from '../behave/testing';
import { newDrive } from '../document/new-cues';
import { describe, expect, test } from '@jest/globals';
import { blankEffect } from '../document/defaults';
import { FOREHEAD } from '../kinds/objects/placed';
import { newFill } from '../kinds/objects/fill';
import { newGrade } from '../kinds/objects/grade';
import { newModel } from '../kinds/objects/model';
import { newPart } from '../kinds/objects/part';
import { sampleModel } from '../document/sample-assets';
import { newGroup } from '../kinds/objects/group';
import { newLight } from '../kinds/objects/light';
import { newLive } from '../kinds/objects/live';
import { newOccluder } from '../kinds/objects/occluder';
import { newShadowCatcher } from '../kinds/objects/shadow-catcher';
import { newSolid } from '../kinds/objects/solid';
import { newText } from '../kinds/objects/text';
import { sampleAsset, sampleEffect } from '../document/sample';
import type {
  AssetId,
  Card,
  CircuitId,
  CompoundId,
  Cue,
  DriveId,
  Effect,
  EffectObject,
  NodeId,
  ObjectId,
  PictureAsset,
  Target,
  TargetId,
} from '../document/schema';
import { newBehaviourNode } from '../kinds/nodes/nodes';
import { newCircuit } from '../document/new-circuit';
import { newCard } from '../kinds/objects/card';
import { MOST_TARGET_BYTES } from '../vision/target-file';
import { check, stops } from './checks';
import { costsOf, packageBytes } from './costs';

const CARD = 'obj_sample0' as ObjectId;
const ready = (): Effect => {
  const effect = sampleEffect(1, 0);
  return { ...effect, listing: { summary: 'A shell.', tags: [], icon: sampleAsset(0).id } };
};
const changed = (change: (effect: Effect, card: Card) => void): string[] => {
  const effect = ready();
  change(effect, effect.objects[CARD] as Card);
  return check(effect).map((f) => f.code);
};

describe('checks', () => {
  test('a finished effect has none', () => expect(check(ready())).toEqual([]));
  test('nodes within a compound are counted too, once for each use', () => {
    const lost = newBehaviourNode('node_lost' as NodeId, 'write');
    const within = [lost, newBehaviourNode('node_leave' as NodeId, 'leave')];
    const compound = {
      id: 'compound_lost' as CompoundId,
      name: 'Lost',
      order: 0,
      note: '',
      nodes: Object.fromEntries(within.map((n) => [n.id, n])),
      notes: {},
    };
    const uses = ['node_one1', 'node_two2'].map((id) =>
      newBehaviourNode(id as NodeId, 'compound', [0, 0], { set: { compound: compound.id } }),
    );
    const circuit = {
      ...newCircuit('circuit_main' as CircuitId, 'Main', 0),
      nodes: Object.fromEntries(uses.map((n) => [n.id, n])),
    };
    const effect = {
      ...sampleEffect(1, 0),
      circuits: { [circuit.id]: circuit },
      compounds: { [compound.id]: compound },
    } as Effect;
    const [finding] = check(effect).filter(({ code }) => code === 'circuit');
    // Nothing runs into either, and neither knows what it writes.
    expect(finding).toMatchObject({ circuit: 'circuit_main', nodes: 2 });
  });
  test('nodes of a circuit that do nothing are counted, while it is on', () => {
    const write = newBehaviourNode('node_aaaa' as NodeId, 'write');
    const unfed = newBehaviourNode('node_bbbb' as NodeId, 'add');
    const found = (enabled: boolean): ReturnType<typeof check> => {
      const circuit = newCircuit('circuit_main' as CircuitId, 'Main', 0);
      const nodes = { [write.id]: write, [unfed.id]: unfed };
      return check({
        ...ready(),
        circuits: { [circuit.id]: { ...circuit, enabled, nodes } } as Effect['circuits'],
      });
    };
    expect(found(true)).toEqual([
      { code: 'circuit', circuit: 'circuit_main', nodes: 1, severity: 'warning', stage: 'behave' },
    ]);
    expect(found(false)).toEqual([]);
  });
  test('an expression that no camera tells is named once, wherever it is listened to', () => {
    const driven = (name: string): string[] =>
      changed((e) => {
        for (const [i, id] of (['drive_one', 'drive_two'] as DriveId[]).entries())
          e.drives[id] = newDrive(
            id,
            i,
            { kind: 'expression', face: 1, name: name as 'jawOpen' },
            { kind: 'number', objects: [CARD], property: 'size' },
          );
      });
    expect(driven('cheekPuff')).toEqual(['takes-only']);
    expect(driven('tongueShown')).toEqual(['takes-only']);
    for (const told of ['jawOpen', 'smile', 'frown', 'mouthLeft', 'eyeLookUpLeft', 'winkLeft'])
      expect(driven(told)).toEqual([]);
  });
  test('a blank one cannot be released', () => {
    expect(stops(check(blankEffect(''))).map((f) => f.code)).toEqual([
      'no-name',
      'no-icon',
      'nothing-to-see',
    ]);
  });
  test('whatever is seen is enough to be released: a text, a solid, a colour behind people, a grade', () => {
    const codes = (object: EffectObject): string[] =>
      stops(check({ ...blankEffect('One'), objects: { [object.id]: object } })).map((f) => f.code);
    const id = 'obj_only' as ObjectId;
    for (const object of [
      newText(id, 'Low tide', 0),
      newSolid(id, 'box', 0),
      newFill(id, 0, { kind: 'backdrop' }),
      newLive(id, 'face', 0),
      newGrade(id, 0),
    ])
      expect(codes(object)).toEqual(['no-icon']);
    for (const object of [
      newGroup(id, 'Empty', 0),
      newOccluder(id, 0),
      newLight(id, 'point', 0, FOREHEAD),
      newShadowCatcher(id, 0, FOREHEAD),
    ])
      expect(codes(object)).toEqual(['no-icon', 'nothing-to-see']);
  });
  test('what an object is made of may be gone: a table, a typeface, the picture of light', () => {
    const gone = 'asset_gone1' as AssetId;
    const id = 'obj_only' as ObjectId;
    for (const [object, stage] of [
      [newGrade(id, 0, [{ id: 'step_one1', on: true, kind: 'table', asset: gone, strength: 1 }]), 'style'],
      [{ ...newText(id, 'Low tide', 0), font: gone }, 'place'],
      [{ ...newLight(id, 'surroundings', 0, FOREHEAD), asset: gone }, 'place'],
    ] as const)
      expect(check({ ...blankEffect('One'), objects: { [id]: object } })).toContainEqual({
        code: 'missing-asset',
        object: id,
        severity: 'stop',
        stage,
      });
  });
  test('a part that its model does not have is said', () => {
    const shell = sampleModel(1);
    const [whole, pearl] = ['obj_shell', 'obj_pearl'] as ObjectId[];
    const model = newModel(whole!, shell, 0);
    const said = (part: number | null) =>
      check({
        ...blankEffect('Shell'),
        assets: { [shell.id]: shell },
        objects: { [whole!]: model, [pearl!]: { ...newPart(pearl!, model, 1, shell.tree!, 1), part } },
      }).filter((f) => f.code === 'no-such-part');
    expect(said(1)).toEqual([]);
    for (const lost of [null, 2])
      expect(said(lost)).toMatchObject([{ object: pearl, severity: 'warning', stage: 'place' }]);
  });
  test('each fault is named', () => {
    expect(
      changed((e) => {
        delete e.assets[sampleAsset(0).id];
      }),
    ).toEqual(['no-icon', 'missing-asset']);
    expect(
      changed((_, card) => {
        card.visible = false;
      }),
    ).toEqual(['invisible']);
    expect(
      changed((_, card) => {
        card.opacity = 0;
      }),
    ).toEqual(['invisible']);
    expect(
      changed((_, card) => {
        card.scale = [0, 1, 1];
      }),
    ).toEqual(['invisible']);
    expect(
      changed((e) => {
        e.listing.summary = ' ';
      }),
    ).toEqual(['no-summary']);
    expect(
      changed((e) => {
        e.assets[sampleAsset(5).id] = sampleAsset(5);
      }),
    ).toEqual(['unused-asset']);
  });
  test('a hidden object that a cue shows is no fault', () => {
    const effect = { ...ready(), cues: sampleEffect(1, 1).cues };
    effect.objects[CARD]!.visible = false;
    expect(check(effect).map((f) => f.code)).not.toContain('invisible');
  });
  test('what hangs in a hidden group is hidden', () => {
    const effect = ready();
    const group = 'obj_group' as ObjectId;
    effect.objects[group] = { ...newGroup(group, 'Kelp', 0), visible: false };
    effect.objects[CARD]!.parent = group;
    expect(check(effect)).toEqual([
      { code: 'invisible', object: CARD, why: 'hidden', severity: 'warning', stage: 'place' },
    ]);
  });
  test('a cue without a target stops the release', () => {
    const effect = { ...ready(), cues: sampleEffect(0, 1).cues };
    expect(stops(check(effect)).map((f) => f.code)).toEqual(['cue-without-target']);
  });
  test('the same picture counts once; the budget is a stop', () => {
    const effect = sampleEffect(2, 0);
    const [a, b] = Object.values(effect.assets);
    effect.assets[b!.id] = { ...b!, files: a!.files };
    expect(packageBytes(effect)).toBe(a!.files[0]!.bytes);
    expect(stops(check(ready(), 10)).map((f) => f.code)).toEqual(['too-big']);
  });
});

test('what takes the space: the heaviest first, shared files once, what is not used last', () => {
  const effect = sampleEffect(3, 0);
  delete effect.objects['obj_sample1' as ObjectId];
  const [a, b, c] = Object.values(effect.assets);
  effect.assets[c!.id] = { ...c!, files: [...a!.files, { ...c!.files[0]!, bytes: 9000 }] };
  expect(costsOf(effect).map(({ asset, bytes, used }) => [asset.id, bytes, used])).toEqual([
    [c!.id, 9000, true],
    [a!.id, 1000, true],
    [b!.id, 1001, false],
  ]);
  expect(packageBytes(effect)).toBe(10_000);
});

test('a printed picture brings what it is found by, once, while something waits for it', () => {
  const effect = sampleEffect(1, 0);
  const [picture] = Object.values(effect.assets);
  const target = (n: number): Target => ({
    id: `target_${n}` as TargetId,
    name: `Card ${n}`,
    order: n,
    asset: picture!.id,
    width: 0.2,
    beforeFound: 'nothing',
    afterLost: 'nothing',
  });
  effect.targets = { [target(1).id]: target(1), [target(2).id]: target(2) };
  expect(packageBytes(effect)).toBe(1000);
  for (const n of [1, 2]) {
    const id = `obj_on${n}` as ObjectId;
    effect.objects[id] = newCard(id, picture as PictureAsset, n, { kind: 'picture', target: target(n).id });
    expect(packageBytes(effect)).toBe(1000 + MOST_TARGET_BYTES);
  }
});

describe('what is seen only because something changes it', () => {
  const hiddenCodes = (
    object: Partial<EffectObject>,
    more: Parameters<typeof behaving>[2],
    cues: Cue[] = [],
  ): string[] =>
    check(behaving(cues, [behavingCard(TILE, object)], more))
      .filter((f) => f.code === 'invisible')
      .map((f) => (f as { why: string }).why);
  const drives = (property: string, enabled = true) => {
    const drive = newDrive(
      'drive_aaaa' as DriveId,
      0,
      { kind: 'time' },
      { kind: 'number', objects: [TILE], property },
    );
    return { drives: { [drive.id]: { ...drive, enabled } } } as never;
  };
  test.each([
    ['hidden', { visible: false }, 'visible'],
    ['transparent', { opacity: 0 }, 'opacity'],
    ['no-size', { scale: [0, 0, 0] }, 'size'],
  ] as const)(
    '%s: a drive or an action of that number is enough, another or one switched off is not',
    (why, object, property) => {
      const changed = object as Partial<EffectObject>;
      expect(hiddenCodes(changed, {})).toEqual([why]);
      expect(hiddenCodes(changed, drives(property))).toEqual([]);
      expect(hiddenCodes(changed, drives(property, false))).toEqual([why]);
      expect(hiddenCodes(changed, drives('moveX'))).toEqual([why]);
      const number = cueOf('screenTapped', [[{ kind: 'number', property, mode: 'to', value: 1 } as never]]);
      expect(hiddenCodes(changed, {}, [number])).toEqual([]);
    },
  );
  test('a cue that moves a hidden thing a drive shows has nothing against it', () => {
    const cue = cueOf('screenTapped', [[{ kind: 'move', by: [0, 1, 0] } as never]]);
    const codesOf = (more: Parameters<typeof behaving>[2]) =>
      standingReasons(behaving([cue], [behavingCard(TILE, { visible: false })], more), cue).map(
        (r) => r.code,
      );
    expect(codesOf({})).toEqual(['target-hidden']);
    expect(codesOf(drives('visible'))).toEqual([]);
  });
});
