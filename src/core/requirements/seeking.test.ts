/** The viewer is asked for what an effect needs, while it is not there. */
import { expect, test } from '@jest/globals';
import type { TargetId } from '../document/schema';
import { FIRST_TAKE, SHIPPED_TAKES } from '../takes/library';
import { seekingPrompt } from './seeking';

const NOTHING = { faces: [], pictures: [] };
const card = new Set(['target_card' as TargetId]);
const none = new Set<TargetId>();
const withPicture = SHIPPED_TAKES.find((t) => t.id === 'picture-in-hand')!.frameAt(0);

test('for a picture, else for a face, else for nothing', () => {
  expect(seekingPrompt({ faces: true, pictures: card }, [], NOTHING)).toBe('findPicture');
  expect(seekingPrompt({ faces: true, pictures: none }, [], NOTHING)).toBe('showFace');
  expect(seekingPrompt({ faces: false, pictures: none }, [], NOTHING)).toBeNull();
});
test('not while something of it is in sight', () => {
  expect(seekingPrompt({ faces: true, pictures: none }, [], FIRST_TAKE.frameAt(0))).toBeNull();
  expect(seekingPrompt({ faces: false, pictures: card }, [], withPicture)).toBeNull();
});
test('a prompt of the effect with that text takes its place; another does not', () => {
  const own = { text: { kind: 'ready', key: 'findPicture' } } as const;
  const other = { text: { kind: 'own', text: 'Find the card' } } as const;
  expect(seekingPrompt({ faces: false, pictures: card }, [own], NOTHING)).toBeNull();
  expect(seekingPrompt({ faces: false, pictures: card }, [other], NOTHING)).toBe('findPicture');
});
