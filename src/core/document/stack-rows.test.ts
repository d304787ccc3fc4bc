/** The Stack as rows. */
import { describe, expect, test } from '@jest/globals';
import { box, effectWith, id } from '../placing/testing';
import { newTarget } from './defaults';
import { headAnchor } from '../kinds/objects/placed';
import { newGroup } from '../kinds/objects/group';
import { newText } from '../kinds/objects/text';
import type { Effect, EffectObject, TargetId } from './schema';
import { laneOf, stackRows } from './stack-rows';

import { CHIN, FLOOR } from '../edits/testing';

describe('rows of the Stack', () => {
  const stack = (): Effect =>
    effectWith(
      [
        box('front', { kind: 'screen', pin: 'top' }, { order: 9 }),
        { ...newGroup(id('group'), 'Kelp', 1, CHIN) } as EffectObject,
        box('leaf', CHIN, { order: 2, parent: id('group') }),
        box('far', { kind: 'backdrop' }, { order: 0 }),
        newText(id('text'), 'Low tide', 3, headAnchor('crown', 2)),
      ],
      [newTarget('target_card' as TargetId, 'Card', 0, null)],
    );
  const told = (rows: ReturnType<typeof stackRows>): string[] =>
    rows.map((r) =>
      r.kind === 'object' ? `${'  '.repeat(r.depth)}${r.object.name}` : `${r.kind}: ${laneOf(r.anchor)}`,
    );
  test('lanes by what covers what, groups with what they hold, empty lanes that say so', () => {
    expect(told(stackRows(stack()))).toEqual([
      'lane: screen',
      'front',
      'lane: head 1',
      'Kelp',
      '  leaf',
      'lane: head 2',
      'Low tide',
      'lane: picture target_card',
      'empty: picture target_card',
      'lane: backdrop',
      'far',
    ]);
  });
  test('folded, and found by name with the group it hangs in', () => {
    expect(told(stackRows(stack(), { folded: new Set([id('group')]) }))).not.toContain('  leaf');
    expect(told(stackRows(stack(), { find: 'LEAF', folded: new Set([id('group')]) }))).toEqual([
      'lane: head 1',
      'Kelp',
      '  leaf',
    ]);
    expect(stackRows(stack(), { find: 'nothing' })).toEqual([]);
  });
  test('lanes that are opened by hand', () => {
    expect(told(stackRows(effectWith([]), { open: [FLOOR] }))).toEqual([
      'lane: world floor',
      'empty: world floor',
    ]);
  });
});
