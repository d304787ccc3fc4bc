/** What is copied, with which cues, and what does not fit. */
import { describe, expect, test } from '@jest/globals';
import { distance } from '../maths/vec3';
import { NO_JITTER, NO_STEPS, type Spread } from '../placing/spread';
import { blankEffect } from '../document/defaults';
import { newFountain } from '../kinds/objects/fountain';
import { box, effectWith, id } from '../placing/testing';
import { newCue } from '../document/new-cues';
import { newAction } from '../kinds/actions/actions';
import { FOREHEAD, headAnchor } from '../kinds/objects/placed';
import { newCard } from '../kinds/objects/card';
import { newGroup } from '../kinds/objects/group';
import { cuesActingOn, stackOrder } from '../document/queries';
import { sampleAsset } from '../document/sample';
import type { CueId, Effect, EffectObject, ObjectId } from '../document/schema';
import { copyToFace, duplicateObjects, mirrorCopy, spreadObject } from './copy-edits';

import { after, CHIN, idsInTurn, seenAt, three } from './testing';

describe('copies', () => {
  const withCue = (): Effect => {
    const effect = three();
    const cue = 'cue_glow' as CueId;
    effect.cues[cue] = newCue(cue, 'mouthOpens', 0, [
      {
        id: 'beat_one',
        actions: [newAction('act_one', 'show', id('aaaa')), newAction('act_two', 'hide', id('bbbb'))],
      },
    ]);
    return effect;
  };
  const copy = (cues: 'shared' | 'own' | 'none') => {
    const before = withCue();
    const made = new Map<ObjectId, ObjectId>();
    const effect = after(before, duplicateObjects(before, [id('aaaa')], idsInTurn(), cues, made));
    return { effect, copy: made.get(id('aaaa'))! };
  };
  test('shared: the same cue acts on both', () => {
    const { effect, copy: made } = copy('shared');
    expect(cuesActingOn(effect, made).map((c) => c.id)).toEqual(['cue_glow']);
    const [first, second] = effect.cues['cue_glow' as CueId]!.beats[0]!.actions;
    expect(first!.targets).toEqual([id('aaaa'), made]);
    expect(second!.targets).toEqual([id('bbbb')]);
  });
  test('its own: a copy of the cue with nothing else in it', () => {
    const { effect, copy: made } = copy('own');
    const [own] = cuesActingOn(effect, made);
    expect(own!.id).not.toBe('cue_glow');
    expect(own!.beats[0]!.actions.map((a) => a.targets)).toEqual([[made]]);
    expect(effect.cues['cue_glow' as CueId]).toEqual(withCue().cues['cue_glow' as CueId]);
  });
  test('none: no cue', () => {
    const { effect, copy: made } = copy('none');
    expect(cuesActingOn(effect, made)).toEqual([]);
  });
  test('to face 2: the same point, the same pose', () => {
    const before = three();
    const made = new Map<ObjectId, ObjectId>();
    const effect = after(before, copyToFace(before, [id('aaaa')], 2, idsInTurn(), made));
    const second = effect.objects[made.get(id('aaaa'))!]!;
    expect(second).toMatchObject({
      anchor: { kind: 'head', face: 2, point: 'chin' },
      move: [0.1, 0, 0],
      turn: [0, 30, 0],
    });
  });
  test('to face 2 out of a group: in none there, and where it was seen', () => {
    const before = effectWith([
      {
        ...newGroup(id('group'), 'G', 0, CHIN),
        move: [0.05, 0, 0],
        turn: [0, 45, 20],
        scale: [2, 2, 2],
      } as EffectObject,
      box('leaf', CHIN, { parent: id('group'), move: [0.02, 0.01, 0] }),
    ]);
    const made = new Map<ObjectId, ObjectId>();
    const effect = after(before, copyToFace(before, [id('leaf')], 2, idsInTurn(), made));
    const second = effect.objects[made.get(id('leaf'))!]!;
    expect(second).toMatchObject({ parent: null, anchor: { face: 2, point: 'chin' } });
    expect(distance(seenAt(effect, second.id), seenAt(before, id('leaf')))).toBeLessThan(1e-9);
  });
  test('a mirrored copy is on the other side', () => {
    const before = effectWith([
      box('aaaa', headAnchor('earLeft'), { move: [0.02, 0.01, 0], turn: [0, 30, 10] }),
    ]);
    const made = new Map<ObjectId, ObjectId>();
    const effect = after(before, mirrorCopy(before, [id('aaaa')], idsInTurn(), made));
    const other = made.get(id('aaaa'))!;
    expect(effect.objects[other]!.anchor).toMatchObject({ point: 'earRight' });
    const [a, b] = [seenAt(effect, id('aaaa')), seenAt(effect, other)];
    expect(distance(b, [-a[0], a[1], a[2]])).toBeLessThan(1e-4);
  });
  test('too many are refused as a whole, with the numbers', () => {
    const before = three();
    const spread = {
      count: 5000,
      shape: { kind: 'line', step: [0.1, 0, 0] },
      steps: NO_STEPS,
      jitter: NO_JITTER,
      seed: 1,
    } as const;
    expect(() => after(before, spreadObject(before, id('aaaa'), spread, idsInTurn(), id('group')))).toThrow(
      'An effect holds 2000 objects; this one has 3, so 5000 more do not fit. Nothing was added.',
    );
  });
  test('spread in one step: a group of copies, the first one itself, delays for what plays', () => {
    const asset = sampleAsset(1);
    const before = effectWith([newCard(id('card'), asset, 0)]);
    const spread = {
      count: 4,
      shape: { kind: 'ring', radius: 0.2, angle: 90, outward: true, about: 'y' },
      steps: { ...NO_STEPS, delay: 0.5 },
      jitter: NO_JITTER,
      seed: 1,
    } as const;
    const effect = after(before, spreadObject(before, id('card'), spread, idsInTurn(), id('group')));
    const copies = stackOrder(effect).filter((o) => o.kind === 'card');
    expect(copies[0]!.id).toBe(id('card'));
    expect(copies.map((c) => c.parent)).toEqual(Array(4).fill(id('group')));
    expect(copies.map((c) => (c.kind === 'card' ? c.startDelay : -1))).toEqual([0, 0.5, 1, 1.5]);
    expect(effect.objects[id('group')]).toMatchObject({ anchor: { point: 'headCentre' } });
  });
});

test('copies of a fountain throw otherwise: duplicated, or spread', () => {
  const fountain = newFountain(id('fount'), 0, FOREHEAD);
  const before = { ...blankEffect(''), objects: { [fountain.id]: fountain } };
  const seeds = (effect: Effect) =>
    Object.values(effect.objects).flatMap((o) => (o.kind === 'fountain' ? o.seed : []));
  const twice = after(before, duplicateObjects(before, [fountain.id], idsInTurn()));
  expect(new Set(seeds(twice)).size).toBe(2);
  const spread: Spread = {
    count: 5,
    shape: { kind: 'line', step: [0.1, 0, 0] },
    steps: NO_STEPS,
    jitter: NO_JITTER,
    seed: 1,
  };
  const many = after(before, spreadObject(before, fountain.id, spread, idsInTurn(), id('group')));
  expect(new Set(seeds(many)).size).toBe(5);
});
