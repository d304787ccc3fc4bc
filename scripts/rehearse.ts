/**
 * Plays rehearsals from the command line, in a headless browser:
 *
 *   npm run rehearse -- effect.zip --takes neutral,slow-turn --out DIR
 *
 * Packages, or folders of packages. `--takes` are played in the place of those that each rehearsal names; `--out` gets `index.html` with pictures, and
 * `junit.xml`. Ends with 0 when all passed, 1 when something failed, 2 when it could not be played.
 */
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { startServer } from '../e2e/harness/server';
import type { PageRequest, RehearsalPage } from '../src/atelier/rehearse/page';
import { sentence } from '../src/core/errors';
import { readPackage } from '../src/core/package/read-package';
import { junitXml } from '../src/core/rehearse/junit';
import { hasPassed, tallyOf } from '../src/core/rehearse/outcome';
import { htmlReport, type Reported } from '../src/core/rehearse/report';
import { argumentsOf, pathOf, stop } from './command-line';

const USAGE =
  'npm run rehearse -- PACKAGE.zip|FOLDER... [--takes ID,ID] [--out FOLDER] [--people full|plain]';
const { values, positionals } = argumentsOf(
  {
    takes: { type: 'string' },
    out: { type: 'string', default: 'rehearsals' },
    people: { type: 'string', default: 'full' },
  },
  USAGE,
);
if (values.people !== 'full' && values.people !== 'plain') stop(`People are full or plain.\n${USAGE}`);
const takes = values.takes === undefined ? null : values.takes.split(',').filter(Boolean);

/** The packages of a file or a folder. */
const packagesIn = (path: string): string[] => {
  if (!existsSync(path)) return stop(`${path} is not there.`);
  if (!statSync(path).isDirectory()) return [path];
  const found = readdirSync(path)
    .filter((name) => name.endsWith('.zip'))
    .sort();
  return found.length > 0 ? found.map((name) => join(path, name)) : stop(`There is no package in ${path}.`);
};
const paths = positionals.flatMap((path) => packagesIn(pathOf(path)));
const out = pathOf(values.out);
/** One that cannot be read fails by itself; the others are played. */
const outcomes: Reported[] = [];
let misused: string | null = null;
const failedToOpen = (path: string, words: string): void => {
  console.log(`✗ ${basename(path)}: ${words}`);
  outcomes.push({
    effect: basename(path),
    rehearsal: 'Open the package',
    take: basename(path),
    verdicts: [],
    trouble: words,
    took: 0,
    stills: [],
    differences: {},
  });
};

const data = mkdtempSync(join(tmpdir(), 'iconia-rehearse-'));
const server = await startServer(data, { briefly: true });
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  for (const path of paths) {
    let opened: ReturnType<typeof readPackage>;
    try {
      opened = readPackage(new Uint8Array(readFileSync(path)));
    } catch (error) {
      failedToOpen(path, sentence(error));
      continue;
    }
    const page = await browser.newPage();
    await page.exposeFunction('rehearsalFile', (sha256: string) => {
      const file = opened.files.get(sha256);
      if (!file) throw new Error('A file of the package is missing.');
      return { base64: Buffer.from(file.bytes).toString('base64'), mime: file.mime };
    });
    await page.exposeFunction('rehearsalPlayed', (reported: Reported) => {
      outcomes.push(reported);
      console.log(
        `${hasPassed(reported) ? '✓' : '✗'} ${reported.effect}: ${reported.rehearsal}, ${reported.take} (${reported.took.toFixed(1)} s)`,
      );
      if (reported.trouble !== null) console.log(`    ${reported.trouble}`);
      for (const v of reported.verdicts) if (!v.passed) console.log(`    ${v.sentence}`);
    });
    await page.goto(`${server.base}/rehearse.html`);
    const known = await page.evaluate(() =>
      (window as unknown as { rehearsalPage: RehearsalPage }).rehearsalPage.takes(),
    );
    const unknown = (takes ?? []).filter((id) => !known.includes(id));
    if (unknown.length > 0) {
      // What was started is stopped first.
      misused = `There is no take ${unknown.join(', ')}. There are: ${known.join(', ')}.`;
      break;
    }
    const rehearsals = Object.values(opened.effect.rehearsals);
    if (!takes && !rehearsals.some((r) => r.takes.length > 0)) {
      failedToOpen(
        path,
        'It has no rehearsals. Make some in Try, or say on which takes it is to be played: --takes.',
      );
      await page.close();
      continue;
    }
    const request: PageRequest = {
      name: basename(path),
      document: opened.effect,
      takes,
      people: values.people as PageRequest['people'],
    };
    await page
      .evaluate(
        (r) => (window as unknown as { rehearsalPage: RehearsalPage }).rehearsalPage.rehearse(r),
        request,
      )
      .catch((error: unknown) => failedToOpen(path, sentence(error)));
    await page.close();
  }
} finally {
  await browser.close();
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}
if (misused !== null) stop(misused);
mkdirSync(out, { recursive: true });
writeFileSync(join(out, 'index.html'), htmlReport(outcomes));
writeFileSync(join(out, 'junit.xml'), junitXml(paths.map((path) => basename(path)).join(', '), outcomes));
const { passed, failed } = tallyOf(outcomes);
console.log(`${passed} passed, ${failed} failed; the report is ${join(out, 'index.html')}`);
process.exit(failed > 0 || outcomes.length === 0 ? 1 : 0);
