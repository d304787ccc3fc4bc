import { expect, test } from '@jest/globals';
import { withPlainGlsl } from './plain-glsl';

test('shaders lose comments and indentation; what is put in, directives and other code stay', () => {
  const code = [
    "const words = 'glsl // stays';",
    'const a = /* glsl */ `',
    '  #define TWO 2.0',
    '  uniform vec3 eye; // head space',
    '  /** How far',
    '   *  it is. */',
    '',
    '  float far(vec3 at) { return TWO * length(at - eye) / ${size.toFixed(4)}; } // metres',
    '  ${BLEND} // put in',
    '`; // of a view',
  ].join('\n');
  expect(withPlainGlsl(code)).toBe(
    [
      "const words = 'glsl // stays';",
      'const a = /* glsl */ `',
      '#define TWO 2.0',
      'uniform vec3 eye;',
      'float far(vec3 at) { return TWO * length(at - eye) / ${size.toFixed(4)}; } // metres',
      '${BLEND} // put in',
      '`; // of a view',
    ].join('\n'),
  );
  expect(withPlainGlsl('const plain = `// no shader`;')).toBeNull();
});
