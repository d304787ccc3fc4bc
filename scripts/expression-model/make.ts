/**
 * Learns from samples (`samples.ts`) what the face tracker makes of expressions, and writes `src/core/face/expression-model.data.ts`. With `--judge` it says
 * instead how well each performer is read by what was learnt from the others.
 * `node scripts/run-ts.mjs scripts/expression-model/make.ts FILE [--judge]`
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { judge } from './judge';
import { learn } from './learn';
import { pack } from './pack';
import type { Sample } from './sample';

const [file, ...flags] = process.argv.slice(2);
if (!file) throw new Error('Say where the samples are.');
const samples = readFileSync(file, 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as Sample);
if (flags.includes('--judge')) judge(samples);
else {
  const { names, rows, ...rest } = pack(learn(samples));
  writeFileSync(
    new URL('../../src/core/face/expression-model.data.ts', import.meta.url),
    [
      '// Made by scripts/expression-model/make.ts from pictures of the drawn performers.',
      "import type { PackedExpressionModel } from './expression-model';",
      '',
      '/** What the face tracker makes of expressions. */',
      'export const EXPRESSION_MODEL: PackedExpressionModel = {',
      `  names: ${JSON.stringify(names)},`,
      ...Object.entries(rest).map(([key, list]) => `  ${key}: ${JSON.stringify(list)},`),
      `  rows: '${rows}',`,
      '};',
      '',
    ].join('\n'),
  );
}
