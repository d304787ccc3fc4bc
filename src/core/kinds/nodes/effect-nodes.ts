/** What circuits read of the effect and the world, and what they write and do. */
import { cueIdSchema, promptIdSchema } from '../../schema/behave-ids';
import { sceneIdSchema } from '../../schema/placed-schema';
import { choice } from '../../schema/properties';
import { toChoose } from '../../schema/references';
import { newSignal, signalKind, signalSchema } from '../signals/signals';
import { readyTrigger } from '../triggers/ready-triggers';
import { triggerSchema } from '../triggers/triggers';
import { UNWATCHED, type WatchState } from '../triggers/trigger-kind';
import { writableSchema } from '../writables/writables';
import { defineNode, event, num, output, truth } from './node-kind';

const reads = (name: string, note: string, also: string) => ({ name, group: 'Read' as const, note, also });
const does = (name: string, note: string, also: string) => ({
  name,
  group: 'Write and do' as const,
  note,
  also,
});

export const EFFECT_NODES = {
  signal: defineNode({
    ...reads(
      'Signal',
      'A number of a face, an object, the viewer, a control or a variable.',
      'read property input value get face head object',
    ),
    inputs: [],
    outputs: [output('value', 'number')],
    fields: { signal: signalSchema },
    fresh: { signal: newSignal('expression', null) },
    title: ({ signal }, names) => signalKind(signal.kind).words(signal, names),
    signals: ({ signal }) => [signal],
    run: { as: 'values', of: (_none: readonly number[], { signal }, at) => [at.signal(signal)] },
  }),
  trigger: defineNode({
    ...reads(
      'Trigger',
      'An event: something happens to a face, an object or the viewer.',
      'when tap touch mouth blink event happens',
    ),
    inputs: [],
    outputs: [output('event', 'event')],
    fields: { trigger: triggerSchema },
    fresh: { trigger: readyTrigger('screenTapped') },
    triggers: ({ trigger }) => [trigger],
    run: {
      as: 'memory',
      fresh: () => UNWATCHED,
      next: (state, _none: readonly number[], { trigger }, at) => {
        const watched = at.watch(trigger, state as WatchState);
        return { state: watched.state, out: [watched.fired ? 1 : 0] };
      },
    },
  }),
  write: defineNode({
    ...does(
      'Write',
      'Writes a number of objects, a variable, an input of a circuit or how long an action takes, while it is yes.',
      'set drive property output variable',
    ),
    inputs: [num('value', 0, { needed: true }), truth('while', 1)],
    outputs: [],
    fields: { to: writableSchema },
    fresh: { to: { kind: 'number', objects: [], property: 'size' } },
    writes: ({ to }) => to,
    run: { as: 'values', of: () => [] },
  }),
  cue: defineNode({
    ...does('Start a cue', 'Starts or stops a cue of the effect.', 'fire run play stop action animation'),
    inputs: [event('event')],
    outputs: [],
    fields: {
      do: choice('Start or stop', { start: 'start', stop: 'stop' }),
      cue: toChoose(cueIdSchema, 'Which cue'),
    },
    fresh: { do: 'start', cue: null },
    title: (set, names) => `${set.do} “${names.cue(set.cue)}”`,
    does: ([e], set, write) => {
      if (e === 1 && set.cue !== null) write.bid({ kind: set.do, id: set.cue });
    },
    run: { as: 'values', of: () => [] },
  }),
  prompt: defineNode({
    ...does('Show a prompt', 'Shows or hides a prompt to the viewer.', 'message text hint'),
    inputs: [event('event')],
    outputs: [],
    fields: {
      do: choice('Show or hide', { show: 'show', hide: 'hide' }),
      prompt: toChoose(promptIdSchema, 'Which prompt'),
    },
    fresh: { do: 'show', prompt: null },
    title: (set, names) => `${set.do} the prompt “${names.prompt(set.prompt)}”`,
    does: ([e], set, write) => {
      if (e === 1 && set.prompt !== null) write.bid({ kind: set.do, id: set.prompt });
    },
    run: { as: 'values', of: () => [] },
  }),
  scene: defineNode({
    ...does('Go to a scene', 'Goes over to another scene.', 'change switch page level'),
    inputs: [event('event')],
    outputs: [],
    fields: { scene: toChoose(sceneIdSchema, 'Scene', { ask: 'Choose the scene' }) },
    fresh: { scene: null },
    title: (set, names) => `go to ${names.scene(set.scene)}`,
    does: ([e], set, write) => {
      if (e === 1) write.goTo(set.scene);
    },
    run: { as: 'values', of: () => [] },
  }),
};
