/** The viewer is asked for what an effect needs, while it is not there. */
import { expect, test } from '@jest/globals';
import type { TargetId } from '../document/schema';
import { FIRST_TAKE, SHIPPED_TAKES } from '../takes/library';
import { NOTHING_SEEN as NOTHING, seekingPrompt } from './seeking';

const card = new Set(['target_card' as TargetId]);
const none = new Set<TargetId>();
const withHand = SHIPPED_TAKES.find((t) => t.id === 'gestures')!.frameAt(2);
const withPicture = SHIPPED_TAKES.find((t) => t.id === 'picture-in-hand')!.frameAt(0);

/** What an effect needs. */
const all = { faces: true, hands: true, pictures: card, surfaces: new Set(['wall', 'table'] as const) };
const face = { ...all, pictures: none };
const hand = { ...face, faces: false };
const picture = { ...all, faces: false, hands: false };

test('for a picture, else for a face, else for a hand, else for a floor, a table, a wall, else for nothing', () => {
  expect(seekingPrompt(all, [], NOTHING)).toBe('findPicture');
  expect(seekingPrompt(face, [], NOTHING)).toBe('showFace');
  expect(seekingPrompt(hand, [], NOTHING)).toBe('showHand');
  expect(seekingPrompt({ ...hand, hands: false }, [], NOTHING)).toBe('findTable');
  expect(seekingPrompt({ ...hand, hands: false, surfaces: new Set() }, [], NOTHING)).toBeNull();
});
test('not while something of it is in sight', () => {
  expect(seekingPrompt(face, [], FIRST_TAKE.frameAt(0))).toBeNull();
  expect(seekingPrompt(picture, [], withPicture)).toBeNull();
  expect(seekingPrompt(hand, [], withHand)).toBeNull();
});
test('a prompt of the effect with that text takes its place; another does not', () => {
  const own = { text: { kind: 'ready', key: 'findPicture' } } as const;
  const other = { text: { kind: 'own', text: 'Find the card' } } as const;
  expect(seekingPrompt(picture, [own], NOTHING)).toBeNull();
  expect(seekingPrompt(picture, [other], NOTHING)).toBe('findPicture');
});
