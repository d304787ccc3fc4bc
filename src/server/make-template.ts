/** Packs an empty, migrated database, so that a first start need not create one: make-template.js FILE */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from './database';

const folder = mkdtempSync(join(tmpdir(), 'iconia-template-'));
const db = await openDatabase(folder);
const dump = await db.dumpDataDir('gzip');
writeFileSync(process.argv[2]!, new Uint8Array(await dump.arrayBuffer()));
await db.close();
rmSync(folder, { recursive: true, force: true });
