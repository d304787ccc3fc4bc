/** Twenty signals over 30 seconds of a take, with the effect running ahead of its picture. */
import { chronicleOf } from '../src/core/behave/chronicle';
import { head } from '../src/core/kinds/signals/head';
import { object as ofObject } from '../src/core/kinds/signals/object';
import type { Signal } from '../src/core/kinds/signals/signals';
import { sampleEffect } from '../src/core/document/sample';
import { stackOrder } from '../src/core/document/queries';
import { FIRST_TAKE } from '../src/core/takes/library';
import { median, report } from './report';

const SECONDS = 30;
const effect = sampleEffect(20, 10);
const [object] = stackOrder(effect);
const signals: Signal[] = [
  ...ofObject.fields.of.options.map((of): Signal => ({ kind: 'object', object: object!.id, of })),
  ...head.fields.of.options.map((of): Signal => ({ kind: 'head', face: 1, of })),
  ...(['jawOpen', 'mouthPucker', 'mouthSmileLeft', 'eyeBlinkLeft', 'browInnerUp'] as const).map(
    (name): Signal => ({ kind: 'expression', face: 1, name }),
  ),
];
// Takes loop past their end.
const take = { ...FIRST_TAKE, duration: SECONDS };
const rounds = Array.from({ length: 3 }, () => {
  const started = performance.now();
  chronicleOf(effect, take, { signals: signals.slice(0, 20) });
  return performance.now() - started;
});
report({ name: 'scope.20-signals-30s', value: median(rounds), unit: 'ms' });
