/** The WebAssembly that ships is made of the text beside it. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { HAMMING_WASM } from '../src/core/vision/hamming.wasm';
import { compileWat } from './compile-wat';

test('hamming.wasm.ts is hamming.wat', async () => {
  const text = readFileSync(new URL('../src/core/vision/hamming.wat', import.meta.url), 'utf8');
  expect(Buffer.from(await compileWat(text)).toString('base64')).toBe(HAMMING_WASM);
});
