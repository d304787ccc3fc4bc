// npm run bench: builds, then prints one JSON object a line for each figure.
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { ensureChromium } from './ensure-chromium.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
ensureChromium();
// What the build says belongs beside the figures, not among them.
const built = spawnSync(process.execPath, ['scripts/build.mjs'], { cwd: root, stdio: ['ignore', 2, 2] });
if (built.status !== 0) process.exit(1);
for (const file of [
  'bench/runtime.ts',
  'bench/save.ts',
  'bench/load.ts',
  'bench/open.ts',
  'bench/show.ts',
  'bench/take.ts',
  'bench/face.ts',
  'bench/asset.ts',
  'bench/place.ts',
  'bench/look.ts',
  'bench/makeup.ts',
  'bench/morph.ts',
  'bench/fountain.ts',
  'bench/scope.ts',
]) {
  const run = spawnSync(process.execPath, ['scripts/run-ts.mjs', file], { cwd: root, stdio: 'inherit' });
  if (run.status !== 0) process.exit(1);
}
