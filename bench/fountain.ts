/** 10,000 living particles: one step, against a loop written by hand for just what they do. */
import { IDENTITY_MATRIX } from '../src/core/maths/matrix';
import { newParticles, stepParticles } from '../src/core/fountain/particles';
import type { FountainSettings } from '../src/core/fountain/settings';
import { STEP } from '../src/core/units';
import { median, report } from './report';

const COUNT = 10_000;
const settings: FountainSettings = {
  area: { kind: 'disc', radius: 0.1 },
  rate: COUNT / 2,
  life: [1.8, 2.2],
  speed: [0.5, 1.5],
  spread: 30,
  gravity: 2,
  drag: 0.5,
  wind: [0.1, 0, 0],
  turbulence: { strength: 1, size: 0.2 },
  spin: [-1, 1],
  bounce: 0.3,
  faceBounce: null,
  most: COUNT,
  seed: 1,
};
const now = { matrix: IDENTITY_MATRIX, open: 1, burst: 0, points: null, floor: -0.5, head: null };
const particles = newParticles(COUNT);
for (let n = 0; n < 300; n++) stepParticles(particles, settings, now, STEP);

/** The same arithmetic over plain arrays, with nothing to choose: no births, no deaths. */
const arrays = Array.from({ length: 10 }, () =>
  Float32Array.from({ length: COUNT }, (_, i) => (i % 97) / 97),
);
const WAVE = Float32Array.from({ length: 4096 }, (_, i) => Math.sin((2 * Math.PI * i) / 4096));
const byHand = (): void => {
  const [x, y, z, vx, vy, vz, age, angle, spin, life] = arrays;
  const kept = Math.exp(-0.5 * STEP);
  for (let i = 0; i < COUNT; i++) {
    age![i]! += STEP;
    if (age![i]! >= life![i]! + 1000) age![i] = 0;
    const [a, b, c] = [x![i]! * 5, y![i]! * 5, z![i]! * 5];
    const s = STEP;
    const ax =
      0.1 +
      (vx![i]! + s * (WAVE[((c * 4096) | 0) & 4095]! + WAVE[(((b + 0.25) * 4096) | 0) & 4095]!) - 0.1) * kept;
    let ay =
      (vy![i]! + s * (WAVE[((a * 4096) | 0) & 4095]! + WAVE[(((c + 0.25) * 4096) | 0) & 4095]!)) * kept -
      2 * STEP;
    const az =
      (vz![i]! + s * (WAVE[((b * 4096) | 0) & 4095]! + WAVE[(((a + 0.25) * 4096) | 0) & 4095]!)) * kept;
    x![i]! += ax * STEP;
    y![i]! += ay * STEP;
    z![i]! += az * STEP;
    if (y![i]! < -0.5 && ay < 0) {
      y![i] = -0.5;
      ay = -0.3 * ay;
    }
    vx![i] = ax;
    vy![i] = ay;
    vz![i] = az;
    angle![i]! += spin![i]! * STEP;
  }
};

const timed = (run: () => void): number => {
  const started = performance.now();
  for (let n = 0; n < 20; n++) run();
  return (performance.now() - started) / 20;
};
for (let n = 0; n < 40; n++) byHand();
const rounds = Array.from({ length: 9 }, () => ({
  ours: timed(() => stepParticles(particles, settings, now, STEP)),
  hand: timed(byHand),
}));
const ours = median(rounds.map((r) => r.ours));
report({
  name: 'fountain.10000',
  value: ours,
  unit: 'ms',
  ratio: ours / median(rounds.map((r) => r.hand)),
  against: 'a loop written by hand',
});
