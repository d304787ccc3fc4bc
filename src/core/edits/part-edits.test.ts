import { describe, expect, test } from '@jest/globals';
import { blankEffect } from '../document/defaults';
import { changed } from '../document/edit';
import { readEffect } from '../document/migrations';
import { parentOf } from '../document/queries';
import { partsOf } from '../document/part-queries';
import { sampleModel } from '../document/sample-assets';
import type { Effect, ModelAsset, ObjectId, Part, PartFacts } from '../document/schema';
import { newModel } from '../kinds/objects/model';
import { newMorph } from '../kinds/objects/morph';
import { newSolid } from '../kinds/objects/solid';
import { IconiaError } from '../errors';
import { restMatrix, restOf } from '../placing/rest';
import { replaceAsset } from './asset-edits';
import { duplicateObjects, spreadObject } from './copy-edits';
import { changeObject, removeObject } from './object-edits';
import { putBack, setApart } from './part-edits';
import { clearSamples } from './sample-edits';
import { showOn } from './show-on';
import { groupObjects, moveInStack } from './stack-edits';
import { sampleAsset } from '../document/sample';

const [SHELL, LID, PEARL, FLAME] = ['obj_shell', 'obj_lid1', 'obj_pearl', 'obj_flame'] as [
  ObjectId,
  ObjectId,
  ObjectId,
  ObjectId,
];
const facts = (name: string, above: number | null, origin: [number, number, number]): PartFacts => ({
  name,
  above,
  origin,
  box: { low: [-0.05, -0.05, -0.05], high: [0.05, 0.05, 0.05] },
});
const TREE: PartFacts[] = [
  facts('Shell', null, [0, 0, 0]),
  facts('Lid', 0, [0, 0.1, -0.1]),
  facts('Pearl', 1, [0, 0.15, 0]),
  facts('Foot', 0, [0, -0.1, 0]),
];
const shell: ModelAsset = { ...sampleModel(1), tree: TREE };
const base: Effect = {
  ...blankEffect('Shell'),
  assets: { [shell.id]: shell },
  objects: { [SHELL]: { ...newModel(SHELL, shell, 0), name: 'Shell' } },
};
const did = (effect: Effect, ...edits: ((now: Effect) => Parameters<typeof changed>[1])[]): Effect =>
  edits.reduce((now, make) => changed(now, make(now)), effect);
const partOf = (effect: Effect, id: ObjectId): Part => effect.objects[id] as Part;
const withLid = did(base, (now) => setApart(now, SHELL, 1, LID));

describe('setting a part apart', () => {
  test('it has its name, hangs in its model, and the document holds together', () => {
    expect(partOf(withLid, LID)).toMatchObject({ kind: 'part', name: 'Lid', parent: SHELL, part: 1 });
    expect(readEffect(JSON.parse(JSON.stringify(withLid)))).toEqual(withLid);
  });
  test('parts hang in each other as they do in the model, in whichever order they are set apart', () => {
    const outerFirst = did(withLid, (now) => setApart(now, SHELL, 2, PEARL));
    expect(partOf(outerFirst, PEARL).parent).toBe(LID);
    const innerFirst = did(
      base,
      (now) => setApart(now, SHELL, 2, PEARL),
      (now) => setApart(now, SHELL, 1, LID),
    );
    expect(partOf(innerFirst, PEARL).parent).toBe(LID);
    expect(partOf(innerFirst, LID).parent).toBe(SHELL);
  });
  test('an inner part keeps its place when the part around it is set apart later', () => {
    const before = did(
      base,
      (now) => setApart(now, SHELL, 2, PEARL),
      (now) => changeObject(now, PEARL, { move: [0.02, 0.03, 0], turn: [0, 30, 0] }),
    );
    const after = did(before, (now) => setApart(now, SHELL, 1, LID));
    const at = (effect: Effect) => restMatrix(restOf(effect), PEARL).map((x) => expect.closeTo(x, 9));
    expect(restMatrix(restOf(after), PEARL)).toEqual(at(before));
  });
  test('one that was hidden stays hidden, by itself now', () => {
    const hidden = { ...base.objects[SHELL]!, hiddenParts: [1, 3] } as Effect['objects'][ObjectId];
    const after = did({ ...base, objects: { [SHELL]: hidden } }, (now) => setApart(now, SHELL, 1, LID));
    expect(partOf(after, LID).visible).toBe(false);
    expect(after.objects[SHELL]).toMatchObject({ hiddenParts: [3] });
  });
  test('twice makes one; a part that is not there is refused', () => {
    const again = did(withLid, (now) => setApart(now, SHELL, 1, 'obj_again' as ObjectId));
    expect(partsOf(again, SHELL)).toHaveLength(1);
    expect(() => did(base, (now) => setApart(now, SHELL, 9, LID))).toThrow(IconiaError);
  });
  test('a model that was never measured is measured with it', () => {
    const old = { ...base, assets: { [shell.id]: { ...shell, tree: null } } };
    expect(() => did(old, (now) => setApart(now, SHELL, 1, LID))).toThrow(IconiaError);
    const after = did(old, (now) => setApart(now, SHELL, 1, LID, TREE));
    expect(after.assets[shell.id]).toMatchObject({ tree: TREE });
  });
  test('a part whose origin lies elsewhere turns about its middle', () => {
    const far = { ...TREE[1]!, box: { low: [2, 2, 2], high: [3, 3, 3] } } as PartFacts;
    const asset = { ...shell, tree: [TREE[0]!, far, TREE[2]!, TREE[3]!] };
    const after = did({ ...base, assets: { [shell.id]: asset } }, (now) => setApart(now, SHELL, 1, LID));
    expect(partOf(after, LID)).toMatchObject({ pivot: [2.5, 2.5, 2.5], move: [2.5, 2.5, 2.5] });
    // A hinge that was set beside it is kept.
    const hinge = { ...TREE[1]!, box: { low: [-0.1, 0.03, 0.03], high: [0.1, 0.05, 0.2] } } as PartFacts;
    const hinged = { ...shell, tree: [TREE[0]!, hinge, TREE[2]!, TREE[3]!] };
    const lid = did({ ...base, assets: { [shell.id]: hinged } }, (now) => setApart(now, SHELL, 1, LID));
    expect(partOf(lid, LID)).toMatchObject({ pivot: [0, 0, 0], move: [0, 0, 0] });
    // Never given one, it lies where the one above has its own.
    const none = { ...hinge, origin: TREE[0]!.origin };
    const never = { ...shell, tree: [TREE[0]!, none, TREE[2]!, TREE[3]!] };
    const glass = did({ ...base, assets: { [shell.id]: never } }, (now) => setApart(now, SHELL, 1, LID));
    expect(partOf(glass, LID).pivot).toEqual([0, expect.closeTo(0.04, 9), expect.closeTo(0.115, 9)]);
  });
});

describe('putting it back, and deleting it', () => {
  const flame = {
    ...newSolid(FLAME, 'sphere', 5),
    parent: LID,
    move: [0, 0.1, 0] as [number, number, number],
  };
  const full = did(
    withLid,
    (now) => setApart(now, SHELL, 2, PEARL),
    (now) => changeObject(now, LID, { move: [0, 0.2, 0] }),
  );
  const lit: Effect = { ...full, objects: { ...full.objects, [FLAME]: flame } };
  test('what hung in it stays where it is seen; inner parts hang in the model', () => {
    const after = did(lit, (now) => putBack(now, [LID]));
    expect(after.objects[LID]).toBeUndefined();
    expect(partOf(after, PEARL).parent).toBe(SHELL);
    expect(parentOf(after, after.objects[FLAME]!)).toBeNull();
    expect(restMatrix(restOf(after), FLAME)).toEqual(
      restMatrix(restOf(lit), FLAME).map((x) => expect.closeTo(x, 9)),
    );
  });
  test('hidden, it stays hidden in the model', () => {
    const after = did(
      lit,
      (now) => changeObject(now, LID, { visible: false }),
      (now) => putBack(now, [LID]),
    );
    expect(after.objects[SHELL]).toMatchObject({ hiddenParts: [1] });
  });
  test('deleted, the model shows it no more, and what hung in it goes', () => {
    const after = did(lit, (now) => removeObject(now, LID));
    expect(after.objects[SHELL]).toMatchObject({ hiddenParts: [1, 2] });
    expect(Object.keys(after.objects)).toEqual([SHELL]);
    expect(Object.keys(did(lit, (now) => removeObject(now, SHELL)).objects)).toEqual([]);
  });
});

describe('what a part is not', () => {
  test('it is not copied alone; a copy of its model has it', () => {
    const ids = (prefix: string): string => `${prefix}_${serial++}`;
    let serial = 0;
    expect(() => did(withLid, (now) => duplicateObjects(now, [LID], ids))).toThrow(
      /a model has each part once/,
    );
    const spread = { count: 3 } as Parameters<typeof spreadObject>[2];
    expect(() => did(withLid, (now) => spreadObject(now, LID, spread, ids, SHELL))).toThrow(IconiaError);
    const two = did(withLid, (now) => duplicateObjects(now, [SHELL], ids));
    expect(Object.values(two.objects).filter((o) => o.kind === 'part')).toHaveLength(2);
    for (const o of Object.values(two.objects))
      if (o.kind === 'model') expect(partsOf(two, o.id)).toHaveLength(1);
  });
  test('it leaves its model for no group and no anchor', () => {
    expect(() => did(withLid, (now) => groupObjects(now, [LID], FLAME))).toThrow(/stays in its model/);
    const moved = did(withLid, (now) =>
      moveInStack(now, [LID], { parent: null, before: null, anchor: { kind: 'screen', pin: 'centre' } }),
    );
    expect(moved.objects[LID]).toEqual(withLid.objects[LID]);
  });
  test('anything with a place hangs in a model and in a part; what a face wears does not', () => {
    const flame = newSolid(FLAME, 'sphere', 5);
    const there: Effect = { ...withLid, objects: { ...withLid.objects, [FLAME]: flame } };
    const into = (parent: ObjectId): ObjectId | null =>
      did(there, (now) => moveInStack(now, [FLAME], { parent, before: null, anchor: null })).objects[FLAME]!
        .parent;
    expect(into(SHELL)).toBe(SHELL);
    expect(into(LID)).toBe(LID);
    const worn = newMorph(FLAME, 5);
    const face: Effect = { ...there, objects: { ...there.objects, [FLAME]: worn } };
    for (const parent of [SHELL, LID])
      expect(did(face, (now) => moveInStack(now, [FLAME], { parent, before: null, anchor: null }))).toBe(
        face,
      );
  });
});

describe('another model', () => {
  const renamed: ModelAsset = {
    ...sampleModel(2),
    tree: [TREE[0]!, TREE[3]!, { ...TREE[1]!, origin: [0, 0.3, 0] }],
  };
  const hides = did(withLid, (now) => setApart(now, SHELL, 2, PEARL));
  test('its parts are those of the same names; one without says so', () => {
    const after = did({ ...hides, assets: { ...hides.assets, [renamed.id]: renamed } }, (now) =>
      showOn(now, SHELL, renamed),
    );
    expect(partOf(after, LID).part).toBe(2);
    expect(partOf(after, PEARL).part).toBeNull();
  });
  test('other content of the same asset does the same to hidden parts', () => {
    const hidden = changed(withLid, {
      label: '',
      change: (d) => void Object.assign(d.objects[SHELL]!, { hiddenParts: [3] }),
    });
    const after = did(hidden, (now) => replaceAsset(now, { ...renamed, id: shell.id }));
    expect(partOf(after, LID).part).toBe(2);
    expect(after.objects[SHELL]).toMatchObject({ hiddenParts: [1] });
  });
  test('a picture in the place of a sample has no parts', () => {
    const sample = did(withLid, (now) => changeObject(now, SHELL, { name: 'Shell' }));
    const picture = sampleAsset(9);
    const before: Effect = {
      ...sample,
      assets: { ...sample.assets, [picture.id]: picture },
      objects: { ...sample.objects, [SHELL]: { ...sample.objects[SHELL]!, sample: true } as never },
    };
    const after = did(before, (now) => showOn(now, SHELL, picture));
    expect(Object.values(after.objects).map((o) => o.kind)).toEqual(['card']);
    expect(Object.keys(did(before, (now) => clearSamples(now)).objects)).toEqual([]);
  });
});
