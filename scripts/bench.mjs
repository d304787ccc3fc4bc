// npm run bench: builds, then prints one JSON object a line for each figure. npm run bench -- open save: only those.
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { ensureChromium } from './ensure-chromium.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const BENCHES = [
  ...[
    'runtime',
    'save',
    'load',
    'open',
    'show',
    'take',
    'face',
    'asset',
    'place',
    'look',
    'makeup',
    'faces',
    'morph',
    'stage',
  ],
  ...[
    'fountain',
    'circuit',
    'formula',
    'script',
    'scope',
    'pieces',
    'picture',
    'hands',
    'masks',
    'hair',
    'light',
    'try',
    'rehearse',
    'phones',
    'devices',
  ],
];
const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !BENCHES.includes(name));
if (unknown.length > 0) {
  console.error(`There is no bench ${unknown.join(', ')}. There are: ${BENCHES.join(', ')}.`);
  process.exit(1);
}
ensureChromium();
// What the build says belongs beside the figures, not among them.
const built = spawnSync(process.execPath, ['scripts/build.mjs'], { cwd: root, stdio: ['ignore', 2, 2] });
if (built.status !== 0) process.exit(1);
for (const name of wanted.length > 0 ? wanted : BENCHES) {
  const file = `bench/${name}.ts`;
  const run = spawnSync(process.execPath, ['scripts/run-ts.mjs', file], { cwd: root, stdio: 'inherit' });
  if (run.status !== 0) process.exit(1);
}
