/** Where new things go, and what a take shows for it. */
import { describe, expect, test } from '@jest/globals';
import { blankEffect, newTarget } from '../document/defaults';
import type { Anchor, Effect, ObjectId, TargetId } from '../document/schema';
import { newGroup } from '../kinds/objects/group';
import { FOREHEAD } from '../kinds/objects/placed';
import { newSolid } from '../kinds/objects/solid';
import { SHIPPED_TAKES } from '../takes/library';
import { anchorShown } from '../takes/library/take-for';
import { applyEdit } from '../document/edit';
import { landingAnchor } from './landing';
import { removeTarget } from './scene-edits';

const FLOOR: Anchor = { kind: 'world', surface: 'floor' };
const WALL: Anchor = { kind: 'world', surface: 'wall' };
const SCREEN: Anchor = { kind: 'screen', pin: 'top' };
const BOX = 'obj_box' as ObjectId;
const CARD = 'target_card' as TargetId;
const take = (id: string) => SHIPPED_TAKES.find((t) => t.id === id)!;

describe('the anchor of new things', () => {
  const group = newGroup('obj_group' as ObjectId, 'Pier', 0, WALL);
  const effect: Effect = {
    ...blankEffect(''),
    ground: SCREEN,
    objects: { [group.id]: group, [BOX]: { ...newSolid(BOX, 'box', 0), parent: group.id } },
  };
  test('what was pointed at, else that of the selected, else what the effect is for, else what the take shows', () => {
    const clues = { named: FLOOR, selected: BOX, shown: FOREHEAD };
    expect(landingAnchor(effect, clues)).toEqual(FLOOR);
    // What hangs in a group sticks to what the group does.
    expect(landingAnchor(effect, { ...clues, named: null })).toEqual(WALL);
    expect(landingAnchor(effect, { ...clues, named: null, selected: null })).toEqual(SCREEN);
    const unsaid = { ...effect, ground: null };
    expect(landingAnchor(unsaid, { ...clues, named: null, selected: null })).toEqual(FOREHEAD);
  });
  test('a selected object that is gone says nothing', () =>
    expect(landingAnchor(effect, { named: null, selected: 'obj_gone' as ObjectId, shown: FOREHEAD })).toEqual(
      SCREEN,
    ));
  test('a printed picture that is deleted is what the effect is for no more', () => {
    const target = newTarget(CARD, 'Card', 0, null);
    const on: Effect = {
      ...blankEffect(''),
      ground: { kind: 'picture', target: CARD },
      targets: { [CARD]: target },
    };
    expect(applyEdit(on, removeTarget(on, CARD)).effect.ground).toBeNull();
  });
});

describe('what a take shows', () => {
  const blank = blankEffect('');
  test('a face before anything else', () => expect(anchorShown(take('slow-turn'), blank)).toEqual(FOREHEAD));
  test('a floor, a table, a wall where nobody is', () => {
    expect(anchorShown(take('walk-floor'), blank)).toEqual(FLOOR);
    expect(anchorShown(take('round-table'), blank)).toMatchObject({ surface: 'table' });
    expect(anchorShown(take('along-wall'), blank)).toMatchObject({ surface: 'wall' });
  });
  test('a printed picture of the effect before the table it lies on', () => {
    const effect: Effect = { ...blank, targets: { [CARD]: newTarget(CARD, 'Card', 0, null) } };
    expect(anchorShown(take('picture-on-table'), effect)).toEqual({ kind: 'picture', target: CARD });
    expect(anchorShown(take('picture-on-table'), blank)).toMatchObject({ kind: 'world' });
  });
});
