/** Runtime step for 200 objects and 50 cues with all their actions running, without drawing. */
import { compile } from '../src/core/program/program';
import { Runtime } from '../src/core/behave/runtime';
import { sampleEffect } from '../src/core/document/sample';
import { FIRST_TAKE } from '../src/core/takes/library';
import { STEP } from '../src/core/units';
import { median, report } from './report';

const program = compile(sampleEffect(200, 50));
const steps = Math.round(FIRST_TAKE.duration / STEP);
const frames = Array.from({ length: steps }, (_, i) => FIRST_TAKE.frameAt(i * STEP));
const tap = { fingers: [], taps: [{ x: 0.5, y: 0.5 }] };

const rounds = Array.from({ length: 9 }, () => {
  const runtime = new Runtime(program);
  const started = performance.now();
  frames.forEach((frame, i) => runtime.step(frame, i % 60 === 0 ? tap : undefined));
  return (performance.now() - started) / steps;
});
report({ name: 'runtime.step.200-objects-50-cues', value: median(rounds), unit: 'ms' });
