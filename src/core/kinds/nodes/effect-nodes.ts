/** What circuits read of the effect and the world, and what they write and do. */
import { cueIdSchema, promptIdSchema } from '../../schema/behave-ids';
import type { Rgb } from '../../maths/blend';
import { hexOfLight } from '../../maths/srgb';
import { objectIdSchema, sceneIdSchema } from '../../schema/placed-schema';
import { choice } from '../../schema/properties';
import { toChoose } from '../../schema/references';
import { newSignal, signalKind, signalSchema } from '../signals/signals';
import { readyTrigger } from '../triggers/ready-triggers';
import { triggerSchema } from '../triggers/triggers';
import { UNWATCHED, type WatchState } from '../triggers/trigger-kind';
import { writableSchema } from '../writables/writables';
import { defineNode, event, input, num, output, truth } from './node-kind';

/** To be set off, and put back, as by its own triggers: its conditions and pauses count. */
const CUE_WORDS = { setOff: 'set off', start: 'start', stop: 'stop', reset: 'put back' } as const;

export const EFFECT_NODES = {
  signal: defineNode({
    inputs: [],
    outputs: [output('value', 'number')],
    fields: { signal: signalSchema },
    fresh: { signal: newSignal('expression', null) },
    title: ({ signal }, names) => signalKind(signal.kind).words(signal, names),
    signals: ({ signal }) => [signal],
    run: { as: 'reads', of: ({ signal }, at) => at.signal(signal) },
  }),
  trigger: defineNode({
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
    inputs: [num('value', 0, { needed: true }), truth('while', 1)],
    outputs: [],
    fields: { to: writableSchema },
    fresh: { to: { kind: 'number', objects: [], property: 'size' } },
    writes: ({ to }) => to,
    run: { as: 'values', of: () => [] },
  }),
  writeText: defineNode({
    inputs: [input('text', 'text', '', { needed: true }), truth('while', 1)],
    outputs: [],
    fields: { object: toChoose(objectIdSchema, 'Which text', { ask: 'Choose the text' }) },
    fresh: { object: null },
    title: ({ object }, names) => (object === null ? null : `write into ${names.object(object)}`),
    lays: {
      key: ({ object }) => object && `text ${object}`,
      setter: ({ object }, of) => (object === null ? null : (of.text(object) as never)),
    },
    run: { as: 'values', of: () => [] },
  }),
  writeColour: defineNode({
    inputs: [input('colour', 'colour', '#ffffff', { needed: true }), truth('while', 1)],
    outputs: [],
    fields: { object: toChoose(objectIdSchema, 'Which object', { ask: 'Choose what' }) },
    fresh: { object: null },
    title: ({ object }, names) => (object === null ? null : `colour of ${names.object(object)}`),
    lays: {
      key: ({ object }) => object && `colour ${object}`,
      setter: ({ object }, of) => {
        const set = object === null ? null : of.colour(object);
        return set && ((light) => set(hexOfLight(light as unknown as Rgb)));
      },
    },
    run: { as: 'values', of: () => [] },
  }),
  cue: defineNode({
    inputs: [event('event')],
    outputs: [],
    fields: {
      do: choice('What the cue does', CUE_WORDS),
      cue: toChoose(cueIdSchema, 'Which cue'),
    },
    fresh: { do: 'start', cue: null },
    title: (set, names) => `${CUE_WORDS[set.do]} “${names.cue(set.cue)}”`,
    does: ([e], set, write) => {
      if (e === 1 && set.cue !== null) write.bid({ kind: set.do, id: set.cue });
    },
    run: { as: 'values', of: () => [] },
  }),
  prompt: defineNode({
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
