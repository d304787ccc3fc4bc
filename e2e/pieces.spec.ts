/** Whole pieces of work, from Home on, as a creator makes them; none takes more clicks, drags, keys and typed values than it may. */
import { expect, test } from './harness/test';
import { folderOf } from './harness/drop';
import { serverEffect } from './harness/pages';
import { pieceFiles } from './pieces/files';
import { Hand } from './pieces/hand';
import { PIECES } from './pieces/pieces';

let folder: ReturnType<typeof folderOf>;
test.beforeAll(async () => void (folder = folderOf('pieces', await pieceFiles())));
test.afterAll(() => folder.remove());

for (const piece of PIECES)
  test(`${piece.name}: at most ${piece.most} actions`, async ({ page }) => {
    const hand = new Hand(page);
    await piece.make(hand, (name) => folder.file(name));
    await hand.saved();
    piece.proves(await serverEffect(page, /effects\/([^/]+)/.exec(page.url())![1]!));
    expect(hand.count).toBeLessThanOrEqual(piece.most);
  });
