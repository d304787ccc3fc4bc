/** What nodes that read the effect and write into it are called. */
import type { EFFECT_NODES } from '../effect-nodes';
import type { WordsOf } from './node-words-kind';

export const EFFECT_WORDS: WordsOf<typeof EFFECT_NODES> = {
  signal: {
    name: 'Signal',
    group: 'Read',
    note: 'A number of a face, an object, the viewer, a control or a variable.',
    also: 'read property input value get face head object',
  },
  trigger: {
    name: 'Trigger',
    group: 'Read',
    note: 'An event: something happens to a face, an object or the viewer.',
    also: 'when tap touch mouth blink event happens',
  },
  write: {
    name: 'Write',
    group: 'Write and do',
    note: 'Writes a number of objects, a variable, an input of a circuit or how long an action takes, while it is yes.',
    also: 'set drive property output variable',
  },
  writeText: {
    name: 'Write a text',
    group: 'Write and do',
    note: 'Lets a text object say something else, while it is yes.',
    also: 'set words score label show',
  },
  writeColour: {
    name: 'Write a colour',
    group: 'Write and do',
    note: 'Gives an object another colour, while it is yes.',
    also: 'set tint paint recolour',
  },
  cue: {
    name: 'Start a cue',
    group: 'Write and do',
    note: 'Sets off, starts, stops or puts back a cue of the effect.',
    also: 'fire run play stop reset action animation',
  },
  prompt: {
    name: 'Show a prompt',
    group: 'Write and do',
    note: 'Shows or hides a prompt to the viewer.',
    also: 'message text hint',
  },
  scene: {
    name: 'Go to a scene',
    group: 'Write and do',
    note: 'Goes over to another scene.',
    also: 'change switch page level',
  },
};
