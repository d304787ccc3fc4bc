/** Files and folders dropped onto the page as a file manager drops them. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import type { Locator, Page } from '@playwright/test';
import type { MadeFile } from './files';

/** Writes files into a folder `name` of their own; gives its path and the way to be rid of it. */
export const folderOf = (
  name: string,
  files: readonly MadeFile[],
): { path: string; file: (name: string) => string; remove: () => void } => {
  const root = mkdtempSync(join(tmpdir(), 'iconia-drop-'));
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

/** Drops what lies at these paths onto the middle of the page, or of a part of it; folders come with all that is in them. */
export const drop = async (page: Page, paths: readonly string[], on?: Locator): Promise<void> => {
  const session = await page.context().newCDPSession(page);
  const box = on ? await on.boundingBox() : null;
  const { width, height } = page.viewportSize()!;
  for (const type of ['dragEnter', 'dragOver', 'drop'] as const)
    await session.send('Input.dispatchDragEvent', {
      type,
      x: box ? box.x + box.width / 2 : width / 2,
      y: box ? box.y + box.height / 2 : height / 2,
      data: { items: [], files: [...paths], dragOperationsMask: 1 },
    });
  await session.detach();
};

/** A file for a chooser. */
export const chosen = (file: MadeFile) => ({
  name: file.name,
  mimeType: 'application/octet-stream',
  buffer: Buffer.from(file.bytes),
});
