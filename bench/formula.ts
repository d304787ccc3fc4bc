/** Formulas: 1,000 of them a step, in drives, beside the same computation written by hand. */
import { sampleEffect } from '../src/core/document/sample';
import type { Drive, DriveId, Effect, VariableId } from '../src/core/document/schema';
import { newDrive, newVariable } from '../src/core/document/new-cues';
import { compile } from '../src/core/program/program';
import { Runtime } from '../src/core/behave/runtime';
import { FIRST_TAKE } from '../src/core/takes/library';
import { STEP } from '../src/core/units';
import { compiledFormula } from '../src/core/kinds/signals/formula';
import { report, timed } from './report';

const COUNT = 1000;
const text = (i: number): string =>
  `sin(time * ${2 + (i % 7)}) * 3 + jawOpen * ${i % 5} > 1 ? clamp(time / 4, 0, 2) : mix(${i % 3}, 4, jawOpen)`;
const INPUTS = {
  time: { kind: 'time' },
  jawOpen: { kind: 'expression', face: 1, name: 'jawOpen' },
} as const;

const compiled = Array.from({ length: COUNT }, (_, i) =>
  compiledFormula({ text: text(i), inputs: INPUTS }, 'plain'),
);
const out = new Float64Array(COUNT);
let step = 0;
const formulas = timed(40, 60, () => {
  const named = [step++ * STEP, (step % 100) / 100];
  for (let i = 0; i < COUNT; i++) out[i] = compiled[i]!.run(named);
});
step = 0;
const hand = timed(40, 60, () => {
  const [time, jaw] = [step++ * STEP, (step % 100) / 100];
  for (let i = 0; i < COUNT; i++)
    out[i] =
      Math.sin(time * (2 + (i % 7))) * 3 + jaw * (i % 5) > 1
        ? Math.min(2, Math.max(0, time / 4))
        : (i % 3) * (1 - jaw) + 4 * jaw;
});
report({
  name: 'formula.1000',
  value: formulas,
  unit: 'ms a step',
  ratio: formulas / hand,
  against: 'by hand',
});

// In an effect: signals are read and variables written as well.
const variables = Array.from({ length: 100 }, (_, i) =>
  newVariable(`var_bench${i}` as VariableId, `V${i}`, i),
);
const drives = Array.from({ length: COUNT }, (_, i): Drive =>
  newDrive(
    `drive_bench${i}` as DriveId,
    i,
    { kind: 'formula', text: text(i), inputs: INPUTS, unit: 'plain' },
    { kind: 'variable', variable: variables[i % 100]!.id },
  ),
);
const byId = <T extends { id: string }>(all: readonly T[]): Record<string, T> =>
  Object.fromEntries(all.map((one) => [one.id, one]));
const plain = { ...sampleEffect(0, 0), variables: byId(variables) } as Effect;
const frame = FIRST_TAKE.frameAt(0);
const stepping = (effect: Effect): (() => void) => {
  const runtime = new Runtime(compile(effect), { fountains: false });
  return () => void runtime.step(frame);
};
const empty = timed(20, 20, stepping(plain));
const whole = timed(20, 20, stepping({ ...plain, drives: byId(drives) } as Effect));
report({ name: 'formula.1000.drives', value: whole - empty, unit: 'ms a step' });
