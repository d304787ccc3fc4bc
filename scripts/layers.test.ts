/** The lint rules hold: a forbidden import, and impurity in core, are found. */
import { afterAll, expect, jest, test } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';

jest.setTimeout(120_000);

const files = new Map<string, { source: string; rule: string }>([
  [
    'src/core/zz-forbidden.ts',
    {
      source: "import { Stage } from '../stage/stage';\nexport const x = Stage;\n",
      rule: 'core-imports-core',
    },
  ],
  [
    'src/core/zz-impure.ts',
    {
      source: "import { readFileSync } from 'node:fs';\nexport const x = readFileSync;\n",
      rule: 'core-is-pure',
    },
  ],
  [
    'src/core/zz-three.ts',
    { source: "import { Scene } from 'three';\nexport const x = Scene;\n", rule: 'core-is-pure' },
  ],
  [
    'src/core/document/zz-upwards.ts',
    {
      source: "import { removeObject } from '../edits/object-edits';\nexport const x = removeObject;\n",
      rule: 'core-order-document',
    },
  ],
  [
    'src/stage/zz-unplaced.ts',
    {
      source: "import { x } from '../core/zz-impure';\nexport const y = x;\n",
      rule: 'core-has-an-order',
    },
  ],
  [
    'src/stage/zz-testing.ts',
    {
      source: "import { text } from '../core/assets/testing';\nexport const x = text;\n",
      rule: 'testing-is-for-tests',
    },
  ],
  [
    'src/stage/zz-forbidden.ts',
    {
      source: "import { api } from '../atelier/api/client';\nexport const x = api;\n",
      rule: 'stage-imports-down',
    },
  ],
  [
    'src/intake/zz-forbidden.ts',
    {
      source: "import { api } from '../atelier/api/client';\nexport const x = api;\n",
      rule: 'intake-imports-down',
    },
  ],
  [
    'src/show/zz-forbidden.ts',
    { source: "import { ref } from 'vue';\nexport const x = ref;\n", rule: 'show-is-small' },
  ],
  [
    'src/server/zz-forbidden.ts',
    {
      source: "import { Stage } from '../stage/stage';\nexport const x = Stage;\n",
      rule: 'server-imports-down',
    },
  ],
  [
    'src/atelier/zz-forbidden.ts',
    {
      source: "import { openDatabase } from '../server/database';\nexport const x = openDatabase;\n",
      rule: 'atelier-imports-down',
    },
  ],
]);
const clock = 'src/core/zz-clock.ts';
const remove = () => [...files.keys(), clock].forEach((file) => rmSync(file, { force: true }));
afterAll(remove);

const run = (command: string, args: string[]): string => {
  try {
    return execFileSync(process.execPath, [command, ...args], {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'pipe'],
      maxBuffer: 256 * 1024 * 1024,
    });
  } catch (error) {
    return (error as { stdout: string }).stdout;
  }
};

test('imports that point up, and packages that core must not know, are refused by name', () => {
  for (const [file, { source }] of files) writeFileSync(file, source);
  const found = JSON.parse(
    // All of src is looked at by `npm run lint`; here only what these files import themselves.
    run('node_modules/dependency-cruiser/bin/dependency-cruise.mjs', [
      ...files.keys(),
      '--max-depth',
      '1',
      '--config',
      '.dependency-cruiser.cjs',
      '-T',
      'json',
    ]),
  ) as { summary: { violations: { from: string; rule: { name: string } }[] } };
  remove();
  const violations = found.summary.violations.map((v) => `${v.from} ${v.rule.name}`);
  for (const [file, { rule }] of files) expect(violations).toContain(`${file} ${rule}`);
  // Each for its own reason, and for no other.
  expect(violations).toHaveLength(files.size);
});

test('core has neither clock nor chance', () => {
  writeFileSync(clock, 'export const x = [Math.random(), Date.now(), new Date(), performance.now()];\n');
  const { diagnostics } = JSON.parse(run('node_modules/oxlint/bin/oxlint', ['--format', 'json', clock])) as {
    diagnostics: { code: string; message: string }[];
  };
  remove();
  expect(diagnostics.map((d) => d.code).sort()).toEqual([
    'eslint(no-restricted-globals)',
    'eslint(no-restricted-globals)',
    'eslint(no-restricted-globals)',
    'eslint(no-restricted-properties)',
  ]);
});
