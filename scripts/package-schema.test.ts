/** docs/effect-package.schema.json is the schema the code checks against. Set ICONIA_WRITE_SCHEMA=1 to renew it. */
import { expect, test } from '@jest/globals';
import { readFileSync, writeFileSync } from 'node:fs';
import { manifestJsonSchema } from '../src/core/package/manifest';

test('the documented schema of the effect package is the real one', () => {
  const file = 'docs/effect-package.schema.json';
  const text = `${JSON.stringify(manifestJsonSchema(), null, 2)}\n`;
  if (process.env.ICONIA_WRITE_SCHEMA) writeFileSync(file, text);
  expect(readFileSync(file, 'utf8')).toBe(text);
});
