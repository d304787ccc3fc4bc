/** A cue opened as a circuit does exactly the same, for cues of all kinds on a take; read as a cue again it is what it was. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applyEdit } from '../document/edit';
import {
  effectSchema,
  type CircuitId,
  type Cue,
  type CueId,
  type Effect,
  type NodeId,
  type ObjectId,
} from '../document/schema';
import { openAsCircuit, readableAsCue, readAsCue } from '../edits/cue-circuit-edits';
import { compile } from '../program/program';
import { READY_NAMES, readyTrigger } from '../kinds/triggers/ready-triggers';
import { SHIPPED_TAKES } from '../takes/library';
import { STEP } from '../units';
import { Runtime } from './runtime';
import { standingReasons } from './explain';
import { card, cueOf, effectOf, TAP, type Told } from './testing';

const OTHER = 'obj_other' as ObjectId;
const ids = (): (() => NodeId) => {
  let n = 0;
  return () => `node_n${String(n++).padStart(3, '0')}` as NodeId;
};
const circuitId = (i: number): CircuitId => `circuit_c${String(i).padStart(3, '0')}` as CircuitId;
/** All of these cues, opened. */
const opened = (effect: Effect, cues: readonly CueId[]): Effect => {
  const newId = ids();
  return cues.reduce(
    (now, cue, i) => applyEdit(now, openAsCircuit(now, cue, circuitId(i), 'Opened', newId)).effect,
    effect,
  );
};

const ACTIONS: readonly Told[] = [
  { kind: 'fade', opacity: 0.2, duration: 0.5 } as Told,
  { kind: 'move', mode: 'by', by: [0.05, 0, 0], duration: 0.4, repeat: 2, thereAndBack: true } as Told,
  { kind: 'size', mode: 'to', factor: 2, duration: 0.6 } as Told,
  { kind: 'toggle' } as Told,
  { kind: 'hide', targets: [OTHER] } as Told,
  { kind: 'shake', duration: 1 } as Told,
  { kind: 'turn', mode: 'by', by: [0, 0, 30], duration: 0.3, targets: [OTHER] } as Told,
];
const anyTrigger = fc.constantFrom(
  ...READY_NAMES,
  // What happens on takes, and what the tests do.
  ...Array.from(
    { length: 8 },
    () => ['screenTapped', 'mouthOpens', 'mouthCloses', 'effectStarts'] as const,
  ).flat(),
);
const anyCue = fc.record({
  when: fc.array(anyTrigger, { minLength: 1, maxLength: 6 }),
  resets: fc.array(anyTrigger, { maxLength: 2 }),
  // Seen by cues of other cues.
  after: fc.option(fc.nat(2), { nil: null }),
  fires: fc.constantFrom('each', 'once', 'toggle') as fc.Arbitrary<Cue['fires']>,
  again: fc.constantFrom('restart', 'ignore') as fc.Arbitrary<Cue['again']>,
  cooldown: fc.constantFrom(0, 0, 0.5),
  condition: fc.boolean(),
  beats: fc.array(fc.array(fc.nat(ACTIONS.length - 1), { minLength: 1, maxLength: 2 }), {
    minLength: 1,
    maxLength: 2,
  }),
});
const cueId = (i: number): CueId => `cue_c${String(i).padStart(3, '0')}` as CueId;

test('opened as circuits, random cues give the same values in every step of takes, also from the middle', () => {
  let firings = 0;
  fc.assert(
    fc.property(
      fc.array(anyCue, { minLength: 1, maxLength: 3 }),
      fc.nat(SHIPPED_TAKES.length - 1),
      fc.array(fc.nat(179), { maxLength: 5 }),
      fc.nat(179),
      fc.nat(6),
      (drawn, t, taps, cut, some) => {
        const cues = drawn.map(({ when, resets, after, condition, beats, ...rest }, i) =>
          cueOf(
            'screenTapped',
            beats.map((beat) => beat.map((a) => ACTIONS[a]!)),
            {
              ...rest,
              id: cueId(i),
              triggers: [
                ...when.map((name) => readyTrigger(name)),
                ...(after === null
                  ? []
                  : [
                      {
                        kind: 'cue',
                        cue: cueId(after),
                        moment: 'begins',
                        share: 0.5,
                      } as Cue['triggers'][number],
                    ]),
              ],
              resets: resets.map((name) => readyTrigger(name)),
              conditions: condition
                ? [{ signal: { kind: 'expression', face: 1, name: 'jawOpen' }, is: 'below', value: 0.6 }]
                : [],
            },
          ),
        );
        const plain = effectOf(cues, [card(), card(OTHER)]);
        const chosen = cues.filter((_, i) => some % (i + 2) !== 0 || i === 0).map(({ id }) => id);
        const circuits = opened(plain, chosen);
        const take = SHIPPED_TAKES[t]!;
        const [one, other] = [new Runtime(compile(plain)), new Runtime(compile(circuits))];
        const seen = (of: Runtime): unknown => [
          [0, 1].map((i) => ({ ...of.values(i) })),
          cues.map((_, i) => [of.isAtWork(i), of.progress(i), of.times(i)]),
        ];
        const step = (i: number): void => {
          const frame = take.frameAt(i * STEP);
          const inputs = taps.includes(i) ? TAP : undefined;
          const fired = one.step(frame, inputs);
          firings += fired.length;
          expect(other.step(frame, inputs)).toEqual(fired);
          expect(seen(other)).toEqual(seen(one));
        };
        const saves: [ReturnType<Runtime['save']>, ReturnType<Runtime['save']>][] = [];
        for (let i = 0; i < 180; i++) {
          if (i === cut) saves.push([one.save(), other.save()]);
          step(i);
        }
        one.restore(saves[0]![0]);
        other.restore(saves[0]![1]);
        for (let i = cut; i < 180; i++) step(i);
      },
    ),
    { numRuns: 60 },
  );
  expect(firings).toBeGreaterThan(60);
});

const cue = cueOf('screenTapped', [[ACTIONS[0]!]], {
  triggers: (['screenTapped', 'mouthOpens', 'effectStarts', 'nods', 'mouthCloses'] as const).map((name) =>
    readyTrigger(name),
  ),
  resets: [readyTrigger('mouthCloses')],
});
const effect = effectOf([cue]);

test('read as a cue again it is what it was', () => {
  const circuit = opened(effect, [cue.id]);
  expect(effectSchema.safeParse(circuit).error?.issues ?? []).toEqual([]);
  expect(circuit.cues[cue.id]).toMatchObject({ triggers: [], resets: [] });
  // Nothing is wrong with a cue that a circuit sets off.
  expect(standingReasons(circuit, circuit.cues[cue.id]!).map(({ code }) => code)).not.toContain(
    'no-triggers',
  );
  const again = applyEdit(circuit, readAsCue(circuit, circuitId(0))).effect;
  expect(again).toEqual(effect);
});

test('a circuit that is more than a cue is not read as one', () => {
  const circuit = opened(effect, [cue.id]);
  const [id] = Object.keys(circuit.circuits) as CircuitId[];
  const of = circuit.circuits[id!]!;
  expect(readableAsCue(circuit, of)?.triggers).toHaveLength(5);
  expect(readableAsCue(circuit, { ...of, enabled: false })).toBeNull();
  expect(readableAsCue(circuit, { ...of, owner: 'obj_card' as ObjectId })).toBeNull();
  const changed = (kind: string, change: object) => ({
    ...of,
    nodes: Object.fromEntries(
      Object.entries(of.nodes).map(([key, node]) => [
        key,
        node.kind === kind ? { ...node, ...change } : node,
      ]),
    ) as typeof of.nodes,
  });
  expect(readableAsCue(circuit, changed('trigger', { off: true }))).toBeNull();
  expect(readableAsCue(circuit, changed('anyEvent', { kind: 'gate' }))).toBeNull();
  expect(readableAsCue(circuit, changed('cue', { set: { do: 'start', cue: cue.id } }))).toBeNull();
  expect(applyEdit(effect, readAsCue(effect, id!)).effect).toEqual(effect);
});
