import { expect, test } from '@jest/globals';
import { ShaderChunk, ShaderLib } from 'three';
import { SMOOTH_SHADOWS } from './smooth-shadows';

test('the five turned samples of three are replaced, and nothing else', () => {
  const [before, after] = [ShaderChunk.shadowmap_pars_fragment, SMOOTH_SHADOWS];
  expect(before).toContain('vogelDiskSample( 4, 5, phi )');
  expect(after).not.toContain('vogelDiskSample( 4, 5, phi )');
  expect(after).toContain('vogelDiskSample(i, 32, 0.0)');
  // Point lights keep theirs.
  expect(after.match(/interleavedGradientNoise\( gl_FragCoord/g)).toHaveLength(
    before.match(/interleavedGradientNoise\( gl_FragCoord/g)!.length - 1,
  );
  // What only catches shadows includes it.
  expect(ShaderLib.shadow.fragmentShader).toContain('#include <shadowmap_pars_fragment>');
});
