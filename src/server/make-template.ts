/** Packs an empty, migrated database, so that a first start need not create one: make-template.js FILE */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from './database';
import { packFolder } from './template';

const folder = mkdtempSync(join(tmpdir(), 'iconia-template-'));
const db = await openDatabase(folder);
// Closed, so that whoever unpacks it need not recover anything.
await db.close();
writeFileSync(process.argv[2]!, packFolder(join(folder, 'database')));
rmSync(folder, { recursive: true, force: true });
