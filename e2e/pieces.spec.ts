/**
 * Whole pieces of work, from Home on, as a creator makes them; none takes more clicks, drags, keys and typed values than it may. Some stand
 * for all here; `npm run bench pieces` makes every one of them.
 */
import { expect, test } from './harness/test';
import { folderOf } from './harness/drop';
import { serverEffect } from './harness/pages';
import { pieceFiles } from './pieces/files';
import { Hand } from './pieces/hand';
import { PIECES } from './pieces/pieces';

let folder: ReturnType<typeof folderOf>;
test.beforeAll(async () => void (folder = folderOf('pieces', await pieceFiles())));
test.afterAll(() => folder.remove());

/** A thing on a face, a card before and behind people, a slider on a printed picture, a face with a material. */
const SHORT = ['a sand hopper', 'a visitor', 'a lighthouse', 'a skin of scales'];
const chosen = PIECES.filter(({ name }) => SHORT.some((begin) => name.startsWith(begin)));
if (chosen.length !== SHORT.length) throw new Error('A piece has another name.');

for (const piece of chosen)
  test(`${piece.name}: at most ${piece.most} actions`, async ({ page }) => {
    const hand = new Hand(page);
    await piece.make(hand, (name) => folder.file(name));
    await hand.saved();
    piece.proves(await serverEffect(page, /effects\/([^/]+)/.exec(page.url())![1]!));
    expect(hand.count).toBeLessThanOrEqual(piece.most);
  });
