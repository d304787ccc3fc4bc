import { describe, expect, test } from '@jest/globals';
import { newTarget } from '../../document/defaults';
import { handAnchor, headAnchor } from '../../kinds/objects/placed';
import type { Anchor, TargetId } from '../../document/schema';
import { box, effectWith } from '../../placing/testing';
import { openingMoment, takeFor, takeWith } from './take-for';

const TARGET = 'target_card' as TargetId;
const second = 'target_more' as TargetId;
const targets = [newTarget(TARGET, 'Card', 0, null), newTarget(second, 'More', 1, null)];

describe('the take that shows an effect', () => {
  test.each([
    [headAnchor('chin'), 'solo-turn-and-mouth'],
    [headAnchor('chin', 2), 'two-people'],
    [headAnchor('chin', 3), 'three-people'],
    [headAnchor('chin', 'every'), 'solo-turn-and-mouth'],
    [handAnchor('palm'), 'gestures'],
    [{ kind: 'world', surface: 'floor' }, 'walk-floor'],
    [{ kind: 'world', surface: 'table' }, 'round-table'],
    [{ kind: 'world', surface: 'wall' }, 'along-wall'],
    [{ kind: 'picture', target: TARGET }, 'picture-on-table'],
    [{ kind: 'picture', target: second }, 'two-pictures'],
    [{ kind: 'screen', pin: 'top' }, 'solo-turn-and-mouth'],
  ] as [Anchor, string][])('has what %j needs', (anchor, id) => {
    const effect = effectWith([box('a', anchor)], targets);
    expect(takeWith(effect, anchor)!.id).toBe(id);
    expect(takeFor(effect).id).toBe(id);
  });
  test('shows most of it when no take has all', () => {
    const floor: Anchor = { kind: 'world', surface: 'floor' };
    expect(takeFor(effectWith([box('a', floor), box('b', floor), box('c', headAnchor('chin'))])).id).toBe(
      'walk-floor',
    );
    expect(takeFor(effectWith([])).id).toBe('solo-turn-and-mouth');
    expect(takeWith(effectWith([]), headAnchor('chin', 4))).toBeNull();
  });
  test('begins where a hand is shown, for an effect on hands alone', () => {
    const onHand = effectWith([box('a', handAnchor('palm'))]);
    const take = takeFor(onHand);
    expect(take.frameAt(0).hands).toEqual([]);
    expect(take.frameAt(openingMoment(take, onHand)).hands).toHaveLength(1);
    const onBoth = effectWith([box('a', handAnchor('palm')), box('b', headAnchor('chin'))]);
    expect(openingMoment(take, onBoth)).toBe(0);
    expect(openingMoment(take, effectWith([]))).toBe(0);
    expect(openingMoment(takeFor(effectWith([])), onHand)).toBe(0);
  });
});
