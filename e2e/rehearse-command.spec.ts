/** Rehearsals from the command line: exit code, report, and JUnit XML that is read back. */
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { XMLParser } from 'fast-xml-parser';
import type { Effect, PerformanceId, Rehearsal, RehearsalId } from '../src/core/document/schema';
import { writePackage } from '../src/core/package/effect-package';
import { BAR, CUE, lamp } from './harness/lamp';
import { expect, test } from './harness/test';

const REHEARSAL = 'reh_lamp' as RehearsalId;
const TAP = 'perf_tapped' as PerformanceId;
const expectations: Rehearsal['expectations'] = [
  { id: 'exp_fires', kind: 'fired', cue: CUE, hasFired: true, from: 0.5, to: 1.5 },
  { id: 'exp_seen', kind: 'seen', object: BAR, isSeen: true, from: 1.5, to: 2 },
];
const rehearsed = (enabled: boolean): Effect => ({
  ...lamp,
  cues: { [CUE]: { ...lamp.cues[CUE]!, enabled } },
  performances: {
    [TAP]: {
      id: TAP,
      name: 'A tap',
      order: 0,
      take: 'neutral',
      length: 10,
      records: [{ time: 1, input: { kind: 'tap', x: 0.5, y: 0.3 } }],
    },
  },
  rehearsals: {
    [REHEARSAL]: {
      id: REHEARSAL,
      name: 'Lamp',
      order: 0,
      performance: TAP,
      takes: ['neutral'],
      expectations,
    },
  },
});

const run = (args: readonly string[], script = 'rehearse'): Promise<{ code: number | null; said: string }> =>
  new Promise((done) => {
    const child = spawn(process.execPath, ['scripts/run-ts.mjs', `scripts/${script}.ts`, ...args]);
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
    child.on('exit', (code) => done({ code, said }));
  });
interface Suite {
  '@_tests': string;
  testcase: { '@_name': string; failure?: { '@_message': string } }[];
}
const junitOf = (out: string): Record<string, unknown> & { testsuite: Suite[] } =>
  (
    new XMLParser({ ignoreAttributes: false, isArray: (name) => /^test(suite|case)$/.test(name) }).parse(
      readFileSync(join(out, 'junit.xml'), 'utf8'),
    ) as { testsuites: Record<string, unknown> & { testsuite: Suite[] } }
  ).testsuites;

test('a package passes; a folder in which one is broken and one is no package fails, with what and where', async () => {
  test.slow();
  const folder = mkdtempSync(join(tmpdir(), 'iconia-rehearse-test-'));
  try {
    const [packages, out] = [join(folder, 'packages'), join(folder, 'out')];
    mkdirSync(packages);
    const nothing = (): never => {
      throw new Error('It has no files.');
    };
    writeFileSync(join(packages, 'lamp.zip'), writePackage(rehearsed(true), 1, nothing));
    const good = await run([join(packages, 'lamp.zip'), '--people', 'plain', '--out', out]);
    expect(good.said).toContain('1 passed, 0 failed');
    expect(good.code).toBe(0);
    expect(junitOf(out)).toMatchObject({ '@_tests': '2', '@_failures': '0', '@_errors': '0' });

    writeFileSync(join(packages, 'broken.zip'), writePackage(rehearsed(false), 1, nothing));
    writeFileSync(join(packages, 'none.zip'), 'no zip at all');
    const bad = await run([packages, '--takes', 'neutral,brows', '--people', 'plain', '--out', out]);
    expect(bad.code).toBe(1);
    expect(bad.said).toContain('“Lamp on” does not fire at all on this take.');
    const all = junitOf(out);
    expect(all).toMatchObject({ '@_tests': '9', '@_failures': '4', '@_errors': '1' });
    const failures = all.testsuite.flatMap((s) => s.testcase.flatMap((c) => c.failure?.['@_message'] ?? []));
    expect(failures[1]).toContain('Bar is not seen at 1.5 s: it is hidden then.');
    const html = readFileSync(join(out, 'index.html'), 'utf8');
    expect(html.match(/<section>/g)).toHaveLength(5);
    expect(html.match(/<img src="data:image\/webp/g)!.length).toBeGreaterThan(4 * 7);

    for (const [args, words] of [
      [['nowhere.zip'], 'nowhere.zip is not there.'],
      [[], 'Say which package is meant'],
      [[join(packages, 'lamp.zip'), '--takes', 'moonwalk'], 'There is no take moonwalk'],
    ] as const) {
      const { code, said } = await run([...args, '--out', out]);
      expect([code, said]).toEqual([2, expect.stringContaining(words)]);
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('a package is checked against an outlet, by its name', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'iconia-check-test-'));
  try {
    const file = join(folder, 'lamp.zip');
    writeFileSync(
      file,
      writePackage(
        { ...rehearsed(true), listing: { summary: '', tags: [], icon: null } },
        1,
        () => new Uint8Array(),
      ),
    );
    const { code, said } = await run([file, '--outlet', 'open web'], 'check');
    expect([code, said]).toEqual([1, expect.stringContaining('lamp.zip: The listing has no icon.')]);
    const other = await run([file, '--outlet', 'Nowhere'], 'check');
    expect([other.code, other.said]).toEqual([2, expect.stringContaining('There are: Open Web.')]);
    writeFileSync(file, 'no zip');
    expect((await run([file], 'check')).code).toBe(1);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
