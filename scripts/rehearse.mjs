// Makes ready what rehearsals from the command line need, and plays them: npm run rehearse -- effect.zip
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { ensureChromium } from './ensure-chromium.mjs';

const at = (path) => fileURLToPath(new URL(path, import.meta.url));
ensureChromium();
const { status } = spawnSync(
  process.execPath,
  [at('run-ts.mjs'), 'scripts/rehearse.ts', ...process.argv.slice(2)],
  {
    stdio: 'inherit',
  },
);
process.exit(status ?? 2);
