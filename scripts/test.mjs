// npm test: types, lint, unit tests, interface tests; closes with "N passed, N failed".
// Lint and unit tests run beside the build and the types, which use one core; interface tests have all cores to themselves: side by side
// with others they are no quicker, and pictures drawn in software come late.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { ensureChromium } from './ensure-chromium.mjs';
import { makeTestFolder } from './test-folder.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const npm = process.env.npm_execpath;
/** A test that passes at the second go only may be luck; more than so many are a fault. */
const MOST_FLAKY = 2;
/** A test that takes longer is named, in seconds. */
const LONG = 40;
let passed = 0;
let failed = 0;
const began = Date.now();
/** Where databases, files and clips of the tests are. */
const folder = makeTestFolder();
const env = { ...process.env, TMPDIR: folder };
const lanes = [];

const count = (name, ok) => {
  if (ok) passed++;
  else failed++;
  console.log(`${ok ? 'passed' : 'FAILED'}: ${name}`);
};
/** Runs a program; what it says is shown when it is over, so that two that run side by side do not mix. */
const run = (name, args, aloud = false) =>
  new Promise((done) => {
    const started = Date.now();
    const child = spawn(process.execPath, args, {
      cwd: root,
      env,
      stdio: ['ignore', aloud ? 'inherit' : 'pipe', aloud ? 'inherit' : 'pipe'],
    });
    const said = [];
    if (!aloud)
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => said.push(chunk));
    child.on('exit', (code) => {
      lanes.push([name, (Date.now() - started) / 1000]);
      if (said.length > 0) process.stdout.write(Buffer.concat(said));
      done(code === 0);
    });
  });
const script = (name) => run(name, [npm, 'run', '-s', name]);
/** A report that was written; a run that left none counts as one failure. */
const reportOf = (file, ok) => {
  if (existsSync(file)) return JSON.parse(readFileSync(file, 'utf8'));
  count(`no report in ${file}`, false);
  return ok ? {} : null;
};
const minutes = (seconds) =>
  `${Math.floor(seconds / 60)} min ${String(Math.round(seconds % 60)).padStart(2, '0')} s`;

if (!npm) throw new Error('Run this with npm test.');
ensureChromium();
mkdirSync(`${root}logs`, { recursive: true });
for (const file of ['logs/unit.json', 'logs/e2e.json']) rmSync(root + file, { force: true });

// The build writes the list of components that the types come from, and the server that unit tests kill.
const checks = async (...names) => {
  for (const name of names) count(name, await script(name));
};
const building = run('build', ['scripts/build.mjs'], true).then((ok) => {
  count('build', ok);
  return ok;
});
const types = building.then(() => checks('typecheck'));
await checks('lint:code', 'lint:imports', 'lint:format');
const built = await building;
const unit = await run('unit', [
  '--experimental-vm-modules',
  '--no-warnings',
  'node_modules/jest/bin/jest.js',
  '--maxWorkers=100%',
  '--json',
  '--outputFile=logs/unit.json',
]);
await types;
const e2e = built && (await run('interface', ['node_modules/@playwright/test/cli.js', 'test'], true));

/** Seconds, where, what: of every test there was. */
const times = [];
const unitReport = reportOf(`${root}logs/unit.json`, unit);
if (unitReport) {
  passed += unitReport.numPassedTests;
  failed += unitReport.numFailedTests + unitReport.numRuntimeErrorTestSuites;
  if (!unit && unitReport.numFailedTests + unitReport.numRuntimeErrorTestSuites === 0)
    count('the unit tests ended badly', false);
  for (const suite of unitReport.testResults)
    for (const test of suite.assertionResults)
      times.push([(test.duration ?? 0) / 1000, 'unit', `${suite.name.slice(root.length)}: ${test.title}`]);
}
const projects = new Map();
const flaky = [];
if (built) {
  const report = reportOf(`${root}logs/e2e.json`, e2e);
  if (report) {
    const { stats } = report;
    passed += stats.expected;
    failed += stats.unexpected;
    if (!e2e && stats.unexpected === 0) count('the interface tests ended badly', false);
    const walk = (suite, file) => {
      for (const spec of suite.specs ?? [])
        for (const test of spec.tests) {
          const seconds = test.results.reduce((sum, r) => sum + r.duration, 0) / 1000;
          projects.set(test.projectName, (projects.get(test.projectName) ?? 0) + seconds);
          times.push([seconds, test.projectName, `${file}: ${spec.title}`]);
          if (test.status === 'flaky') flaky.push(`${file}: ${spec.title}`);
        }
      for (const inner of suite.suites ?? []) walk(inner, file);
    };
    for (const suite of report.suites) walk(suite, suite.file);
  }
}

console.log('\nWhere the time went:');
for (const [name, seconds] of lanes) console.log(`  ${minutes(seconds).padStart(12)}  ${name}`);
for (const [name, seconds] of projects)
  console.log(`  ${minutes(seconds).padStart(12)}  tests of ${name}, one after the other`);
console.log('The ten slowest tests:');
for (const [seconds, project, title] of times.sort((a, b) => b[0] - a[0]).slice(0, 10))
  console.log(`  ${seconds.toFixed(1).padStart(6)} s  ${project}  ${title}`);
for (const [seconds, , title] of times.filter((t) => t[0] > LONG))
  console.log(`LONG (${seconds.toFixed(0)} s): ${title}`);
for (const title of flaky) console.log(`FLAKY: ${title}`);
passed += flaky.length;
if (flaky.length > MOST_FLAKY)
  count(`${flaky.length} tests passed at the second go only; at most ${MOST_FLAKY} may`, false);
console.log(`${flaky.length} flaky; ${minutes((Date.now() - began) / 1000)} in all`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
