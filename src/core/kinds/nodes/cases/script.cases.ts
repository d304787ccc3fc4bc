/** Known answers, of a script that is stood in for: sandboxes have tests of their own. */
import type { Json } from '../../../script/engine';
import { newPort } from '../declared-ports';
import { type SCRIPT_NODES } from '../script-nodes';
import type { CasesOf } from './testing';

/** What the stand-in gives, whatever the script says. */
const gives = (
  of: (inputs: Readonly<Record<string, Json>>, state: Json) => Readonly<Record<string, Json>>,
) => ({
  script: (_source: string, inputs: Readonly<Record<string, Json>>, _reads: unknown, state: Json) => ({
    out: of(inputs, state),
    state: Number(state) + 1,
    logs: [],
    problem: null,
  }),
});

export const SCRIPT_CASES: CasesOf<typeof SCRIPT_NODES> = {
  script: [
    // Without anything that runs scripts it rests.
    { given: [{}], gives: [[0]], at: { script: () => null } },
    // What it gives goes on, with its state.
    {
      given: [{ event: 1 }, { event: 0 }],
      gives: [[10], [2]],
      at: gives(({ event }, state) => ({ count: event === true ? 10 : Number(state) + 1 })),
    },
    // What is not named stays as it was, but for events; what is out of its range is brought back.
    {
      given: [{}, {}],
      gives: [
        ['ebb', 1, 5],
        ['ebb', 0, 5],
      ],
      set: {
        gives: [newPort('word', 'text'), newPort('now', 'event'), { ...newPort('n'), high: 5 }],
      },
      at: gives((_, state): Record<string, Json> =>
        state === null ? { word: 'ebb', now: true, n: 9 } : { n: 8 },
      ),
    },
    // Each type; a number that is missing is none.
    {
      given: [{}],
      gives: [[NaN, 1, [1, 2, 3], [1, 1, 1], [0, 0, 0, 1], [4, NaN]]],
      set: {
        gives: (['number', 'truth', 'vector', 'colour', 'rotation', 'list'] as const).map((type) =>
          newPort(type, type),
        ),
      },
      at: gives(() => ({
        number: null,
        truth: true,
        vector: [1, 2, 3],
        colour: '#ffffff',
        rotation: [0, 0, 0, 1],
        list: [4, null],
      })),
    },
    // Of the wrong type: it is stopped, and keeps what it gave.
    { given: [{}, {}], gives: [[3], [3]], at: gives((_, state) => ({ count: state === null ? 3 : [1] })) },
  ],
};
