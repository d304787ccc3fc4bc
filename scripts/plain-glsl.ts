/** Shaders without their comments and indentation, as pages fetch them: written as templates that begin with the word glsl in a comment. */
import type { Plugin } from 'vite';

const SHADER = /(\/\*\s*glsl\s*\*\/\s*`)((?:[^`\\]|\\[^])*)`/g;
/** What a template puts in is code, no shader. */
const PUT_IN = /\$\{/;

const plain = (glsl: string): string =>
  glsl
    .replace(/\/\*[^]*?\*\//g, '')
    .split('\n')
    .map((line) => (PUT_IN.test(line) ? line : line.replace(/\/\/.*$/, '')).trim())
    .filter((line, i, all) => line !== '' || i === 0 || i === all.length - 1)
    .join('\n');

/** The same code with plain shaders; null where it has none. */
export const withPlainGlsl = (code: string): string | null =>
  code.includes('glsl')
    ? code.replace(SHADER, (_, begin: string, glsl: string) => `${begin}${plain(glsl)}\``)
    : null;

/** For the build: shaders of our own, which nothing looks into afterwards. */
export const plainGlsl = (): Plugin => ({
  name: 'plain-glsl',
  apply: 'build',
  enforce: 'pre',
  transform: (code: string, id: string) => {
    if (!/\/src\/[^?]*\.ts$/.test(id) || id.includes('node_modules')) return null;
    const to = withPlainGlsl(code);
    return to === null || to === code ? null : { code: to, map: null };
  },
});
