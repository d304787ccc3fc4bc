/** Files and folders dropped onto the page as a file manager drops them. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import type { Locator, Page } from '@playwright/test';
import type { MadeFile } from './files';

/** Writes files into a folder `name` of their own; gives its path and the way to be rid of it. */
export const folderOf = (
  name: string,
  files: readonly MadeFile[],
): { path: string; file: (name: string) => string; remove: () => void } => {
  // Not where the tests' other data is: pages may not look into folders of the system, such as the one in memory.
  mkdirSync('logs', { recursive: true });
  const root = mkdtempSync(join(resolve('logs'), 'drop-'));
  const path = join(root, name);
  for (const file of files) {
    const to = join(path, file.name);
    mkdirSync(dirname(to), { recursive: true });
    writeFileSync(to, file.bytes);
  }
  return {
    path,
    file: (inside) => join(path, inside),
    remove: () => rmSync(root, { recursive: true, force: true }),
  };
};

/** A part of the page, and where in it: 0..1 from its top left; its middle without. */
export interface DropPoint {
  readonly on?: Locator | undefined;
  readonly at?: readonly [number, number];
}
type DragType = 'dragEnter' | 'dragOver' | 'drop' | 'dragCancel';
const dragged = async (
  page: Page,
  paths: readonly string[],
  { on, at = [0.5, 0.5] }: DropPoint,
  types: readonly DragType[],
): Promise<void> => {
  const session = await page.context().newCDPSession(page);
  const { width, height } = page.viewportSize()!;
  const box = (await on?.boundingBox()) ?? { x: 0, y: 0, width, height };
  for (const type of types)
    await session.send('Input.dispatchDragEvent', {
      type,
      x: box.x + box.width * at[0],
      y: box.y + box.height * at[1],
      data: { items: [], files: [...paths], dragOperationsMask: 1 },
    });
  await session.detach();
};

/** Drops what lies at these paths onto the middle of the page, or of a part of it; folders come with all that is in them. */
export const drop = (
  page: Page,
  paths: readonly string[],
  on?: Locator,
  at?: readonly [number, number],
): Promise<void> => dragged(page, paths, { on, ...(at && { at }) }, ['dragEnter', 'dragOver', 'drop']);

/** Holds files over a part of the page without letting go. */
export const hold = (page: Page, paths: readonly string[], point: DropPoint): Promise<void> =>
  dragged(page, paths, point, ['dragEnter', 'dragOver']);
/** Takes the files away again. */
export const takeAway = (page: Page): Promise<void> => dragged(page, [], {}, ['dragCancel']);

/** A file for a chooser. */
export const chosen = (file: MadeFile) => ({
  name: file.name,
  mimeType: 'application/octet-stream',
  buffer: Buffer.from(file.bytes),
});
