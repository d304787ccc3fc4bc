/** Scripts: one of 100 lines, ms a step, with what it is given and what it keeps. */
import { loadQuickJs } from '../src/core/script/quickjs-engine';
import type { Json } from '../src/core/script/engine';
import { SCRIPT_EXAMPLES } from '../src/core/kinds/nodes/script-examples';
import { report, timed } from './report';

const lines = Array.from(
  { length: 44 },
  (_, i) => `  at = Math.sin(at * ${1 + (i % 5)} + time) + inputs.a * ${i} + (state.list[${i % 8}] ?? 0);
  if (at > ${i}) state.count = (state.count + ${i}) % 1000;`,
);
const source = `export const state = { count: 0, list: [1, 2, 3, 4, 5, 6, 7, 8], log: {} };
const clamp = (x, low, high) => Math.min(high, Math.max(low, x));

export function step({ inputs, read, state, time, random }) {
  let at = read.jawOpen;
${lines.join('\n')}
  state.list[state.count % 8] = clamp(at, -1, 1) + random();
  return {
    at,
    count: state.count,
    words: \`\${state.count} of 1000\`,
  };
}
`;
const now = (): number => performance.now();
const began = now();
const engine = await loadQuickJs({ now });
report({ name: 'script.load', value: now() - began, unit: 'ms' });
const stepping = (of: string, inputs: Record<string, Json>): (() => void) => {
  let state: Json = null;
  let step = 0;
  return () => {
    const taken = engine.step(of, {
      time: step / 60,
      dt: 1 / 60,
      seed: step++,
      inputs,
      read: { jawOpen: 0.4 },
      state,
    });
    if (taken.problem) throw new Error(taken.problem.message);
    ({ state } = taken);
  };
};
const first = now();
stepping(source, { a: 2 })();
report({ name: 'script.open', value: now() - first, unit: 'ms' });
report({ name: 'script.step', value: timed(300, 60, stepping(source, { a: 2 })), unit: 'ms a step' });
const game = SCRIPT_EXAMPLES.find(({ id }) => id === 'catch')!;
report({
  name: 'script.step.game',
  value: timed(300, 60, stepping(game.source, { start: true, mouth: 0, length: 20, reach: 0.03 })),
  unit: 'ms a step',
});
