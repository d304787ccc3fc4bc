/** The Stack's edits: what they leave where it is seen, what they copy, what they refuse. */
import { describe, expect, test } from '@jest/globals';
import { distance } from '../maths/vec3';
import { box, effectWith, id } from '../placing/testing';
import { headAnchor } from '../kinds/objects/placed';
import { newCard } from '../kinds/objects/card';
import { newGroup } from '../kinds/objects/group';
import { newText } from '../kinds/objects/text';
import { changeObject } from './object-edits';
import { readEffect } from '../document/migrations';
import { anchorOf, parentOf } from '../document/queries';
import { sampleAsset } from '../document/sample';
import { addScene } from './scene-edits';
import type { Anchor, EffectObject, ObjectId, SceneId } from '../document/schema';
import { becomesOf, groupObjects, moveInStack, stickTo, ungroupObjects } from './stack-edits';

import { after, CHIN, FLOOR, idsInTurn, namesOf, seenAt, three } from './testing';

describe('groups', () => {
  test('a group takes the place of the first; all stay where they are seen, even from another point of the head', () => {
    const before = three();
    const grouped = after(before, groupObjects(before, [id('aaaa'), id('bbbb')], id('group')));
    expect(namesOf(grouped)).toEqual(['Group', 'aaaa', 'bbbb', 'cccc']);
    expect(anchorOf(grouped, grouped.objects[id('bbbb')]!)).toEqual(CHIN);
    for (const one of [id('aaaa'), id('bbbb')])
      expect(distance(seenAt(grouped, one), seenAt(before, one))).toBeLessThan(1e-9);
    const apart = after(grouped, ungroupObjects(grouped, [id('group')]));
    expect(namesOf(apart)).toEqual(['aaaa', 'bbbb', 'cccc']);
    for (const one of [id('aaaa'), id('bbbb')])
      expect(distance(seenAt(apart, one), seenAt(before, one))).toBeLessThan(1e-9);
  });
  test('into a turned and sized group and out of it, nothing is seen to move', () => {
    const before = effectWith([
      {
        ...newGroup(id('group'), 'G', 0, CHIN),
        move: [0.05, 0, 0],
        turn: [0, 45, 20],
        scale: [2, 2, 2],
        pivot: [0.1, 0, 0],
      } as EffectObject,
      box('aaaa', CHIN, { order: 1, move: [0.1, 0, 0], turn: [0, 30, 0] }),
    ]);
    const inside = after(
      before,
      moveInStack(before, [id('aaaa')], { parent: id('group'), before: null, anchor: null }),
    );
    expect(parentOf(inside, inside.objects[id('aaaa')]!)!.id).toBe(id('group'));
    expect(distance(seenAt(inside, id('aaaa')), seenAt(before, id('aaaa')))).toBeLessThan(1e-9);
    const out = after(
      inside,
      moveInStack(inside, [id('aaaa')], { parent: null, before: id('group'), anchor: null }),
    );
    expect(namesOf(out)).toEqual(['aaaa', 'G']);
    expect(distance(seenAt(out, id('aaaa')), seenAt(before, id('aaaa')))).toBeLessThan(1e-9);
  });
  test('a group in a group, both taken apart at once: the inner one stays whole and nothing is lost', () => {
    const before = effectWith([
      { ...newGroup(id('outer'), 'Outer', 0, CHIN), opacity: 0.5 },
      { ...newGroup(id('inner'), 'Inner', 1, CHIN), parent: id('outer') },
      box('leaf', CHIN, { order: 2, parent: id('inner') }),
      box('side', CHIN, { order: 3, parent: id('outer') }),
    ]);
    const apart = after(before, ungroupObjects(before, [id('outer'), id('inner')]));
    expect(namesOf(apart)).toEqual(['Inner', 'leaf', 'side']);
    expect(parentOf(apart, apart.objects[id('leaf')]!)!.id).toBe(id('inner'));
    expect(distance(seenAt(apart, id('leaf')), seenAt(before, id('leaf')))).toBeLessThan(1e-9);
    // As faint as they were in the group.
    expect(apart.objects[id('side')]).toMatchObject({ opacity: 0.5 });
    expect(apart.objects[id('inner')]).toMatchObject({ opacity: 0.5 });
  });
  test('what leaves a group stays in the scene that the group is in', () => {
    const make = idsInTurn();
    let effect = effectWith([
      newGroup(id('group'), 'G', 0, CHIN),
      box('leaf', CHIN, { parent: id('group') }),
    ]);
    effect = after(
      effect,
      addScene(effect, () => make('scene') as SceneId),
    );
    effect = after(effect, changeObject(effect, id('leaf'), { scene: null }));
    const out = after(
      effect,
      moveInStack(effect, [id('leaf')], { parent: null, before: null, anchor: null }),
    );
    expect(out.objects[id('leaf')]!.scene).toBe(effect.openingScene);
  });
  test('a group does not go into itself, nor anything into what holds nothing; a solid holds what lies on it', () => {
    const before = effectWith([
      newGroup(id('outer'), 'Outer', 0, CHIN),
      { ...newGroup(id('inner'), 'Inner', 1, CHIN), parent: id('outer') } as EffectObject,
      box('aaaa', CHIN),
    ]);
    const to = (parent: ObjectId) => ({ parent, before: null, anchor: null });
    expect(after(before, moveInStack(before, [id('outer')], to(id('inner'))))).toBe(before);
    expect(after(before, moveInStack(before, [id('outer')], to(id('outer'))))).toBe(before);
    const text = effectWith([newText(id('text'), 'Low tide', 0, CHIN), box('aaaa', CHIN)]);
    expect(after(text, moveInStack(text, [id('aaaa')], to(id('text'))))).toBe(text);
    const on = after(before, moveInStack(before, [id('inner')], to(id('aaaa'))));
    expect(on.objects[id('inner')]!.parent).toBe(id('aaaa'));
    expect(distance(seenAt(on, id('inner')), seenAt(before, id('inner')))).toBeLessThan(1e-9);
  });
});

describe('sticking to something else', () => {
  test('on another point of the head it stays where it is seen; on another thing it rests there', () => {
    const before = three();
    const crown = after(before, stickTo(before, [id('aaaa')], headAnchor('crown')));
    expect(crown.objects[id('aaaa')]).toMatchObject({ anchor: { point: 'crown' } });
    expect(crown.objects[id('aaaa')]!.move).not.toEqual(before.objects[id('aaaa')]!.move);
    expect(distance(seenAt(crown, id('aaaa')), seenAt(before, id('aaaa')))).toBeLessThan(1e-9);
    // The same point of another face is as far from it.
    const other = after(before, stickTo(before, [id('aaaa')], headAnchor('chin', 2)));
    expect(other.objects[id('aaaa')]!.move).toEqual(before.objects[id('aaaa')]!.move);
    const skin: Anchor = { kind: 'skin', face: 1, spot: [0.5, 0.5] };
    const anchors = [CHIN, headAnchor('crown'), skin, FLOOR];
    expect(anchors.map((to) => becomesOf(CHIN, to))).toEqual(['same', 'stays', 'stays', 'rests']);
    const ground = after(before, stickTo(before, [id('aaaa')], FLOOR));
    expect(ground.objects[id('aaaa')]).toMatchObject({ anchor: FLOOR, turn: [0, 0, 0], scale: [1, 1, 1] });
    expect(ground.objects[id('aaaa')]!.move[1]).toBeGreaterThan(0);
  });
  test('a card takes on the size that cards have there, and keeps its shape', () => {
    const asset = sampleAsset(1);
    const before = effectWith([newCard(id('card'), asset, 0)]);
    const card = after(before, stickTo(before, [id('card')], { kind: 'backdrop' })).objects[id('card')]!;
    expect(card).toMatchObject({ kind: 'card', extent: [0.32, 0.16] });
  });
});

test('a document of schema 3 opens: heads do not grow, cards lie over each other by their order', () => {
  const card = { ...newCard(id('card'), sampleAsset(0), 0) } as Record<string, unknown>;
  const old: Record<string, unknown> = {};
  for (const key of [
    'id',
    'name',
    'parent',
    'order',
    'visible',
    'move',
    'turn',
    'scale',
    'kind',
    'asset',
    'extent',
    'opacity',
    'tint',
    'blend',
    'doubleSided',
  ])
    old[key] = card[key];
  const effect = readEffect({
    schema: 3,
    name: 'Old',
    objects: { [id('card')]: { ...old, anchor: { kind: 'head', face: 1, point: 'forehead' } } },
    assets: {},
    cues: {},
    listing: { summary: '', tags: [], icon: null },
  });
  expect(effect.objects[id('card')]).toMatchObject({
    anchor: { kind: 'head', grows: false },
    pivot: [0, 0, 0],
    depthTest: true,
    depthWrite: false,
    scene: null,
    startDelay: 0,
  });
  expect(effect).toMatchObject({ scenes: {}, openingScene: null, targets: {} });
});
