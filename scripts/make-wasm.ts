/** Writes the WebAssembly of computer vision from its text: npm run wasm. */
import { readFileSync, writeFileSync } from 'node:fs';
import { compileWat } from './compile-wat';

const FOLDER = 'src/core/vision';
const bytes = await compileWat(readFileSync(`${FOLDER}/hamming.wat`, 'utf8'));
writeFileSync(
  `${FOLDER}/hamming.wasm.ts`,
  `/** \`hamming.wat\` as WebAssembly, base 64: made by \`npm run wasm\`. */
export const HAMMING_WASM =
  '${Buffer.from(bytes).toString('base64')}';
`,
);
