// npm test: types, lint, unit tests, interface tests; closes with "N passed, N failed".
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { ensureChromium } from './ensure-chromium.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const npm = process.env.npm_execpath;
let passed = 0;
let failed = 0;

const run = (args) => spawnSync(process.execPath, args, { cwd: root, stdio: 'inherit' }).status === 0;
const script = (name) => run([npm, 'run', '-s', name]);
const count = (name, ok) => {
  if (ok) passed++;
  else failed++;
  console.log(`${ok ? 'passed' : 'FAILED'}: ${name}`);
};
/** Counts from a report; a run that left none counts as one failure. */
const report = (file, ok, read) => {
  if (!existsSync(file)) return count(`no report in ${file}`, false);
  const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')));
  passed += good;
  failed += bad;
  if (!ok && bad === 0) count(`the run that wrote ${file} ended badly`, false);
};

if (!npm) throw new Error('Run this with npm test.');
ensureChromium();
mkdirSync(`${root}logs`, { recursive: true });
for (const file of ['logs/unit.json', 'logs/e2e.json']) rmSync(root + file, { force: true });

// The build first: it writes the list of components that the types come from.
const built = run(['scripts/build.mjs']);
count('build', built);
count('types', script('typecheck'));
count('lint', script('lint'));
const unit = run([
  '--experimental-vm-modules',
  '--no-warnings',
  'node_modules/jest/bin/jest.js',
  '--json',
  '--outputFile=logs/unit.json',
]);
report(`${root}logs/unit.json`, unit, (r) => [
  r.numPassedTests,
  r.numFailedTests + r.numRuntimeErrorTestSuites,
]);
if (built) {
  const e2e = run(['node_modules/@playwright/test/cli.js', 'test']);
  report(`${root}logs/e2e.json`, e2e, ({ stats }) => [stats.expected + stats.flaky, stats.unexpected]);
}
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
