/** What nodes of events are called. */
import type { EVENT_NODES } from '../event-nodes';
import type { WordsOf } from './node-words-kind';

export const EVENT_WORDS: WordsOf<typeof EVENT_NODES> = {
  becomesTrue: {
    name: 'Becomes true',
    group: 'Events',
    note: 'In the step in which a no becomes a yes; also when it is a yes from the beginning.',
    also: 'edge rises starts when',
  },
  becomesFalse: {
    name: 'Becomes false',
    group: 'Events',
    note: 'In the step in which a yes becomes a no.',
    also: 'edge falls ends when',
  },
  changes: {
    name: 'Changes',
    group: 'Events',
    note: 'In each step in which a number is another than before.',
    also: 'differs new value edge',
  },
  anyEvent: {
    name: 'Any of',
    group: 'Events',
    note: 'When one of four passes.',
    also: 'or either merge join',
  },
  gate: {
    name: 'Gate',
    group: 'Events',
    note: 'Lets an event pass while it is yes.',
    also: 'only if condition filter',
  },
  splitBy: {
    name: 'This way or that',
    group: 'Events',
    note: 'Sends an event one way while it is yes, the other while it is no.',
    also: 'branch route if else',
  },
  latch: {
    name: 'Latch',
    group: 'Events',
    note: 'Yes from one event until another.',
    also: 'set reset remember flag hold',
  },
  toggle: {
    name: 'Toggle',
    group: 'Events',
    note: 'Yes and no by turns, at each event.',
    also: 'flip alternate switch',
  },
  counter: {
    name: 'Counter',
    group: 'Events',
    note: 'Counts events up and down.',
    also: 'score number times increment',
  },
  everyNth: {
    name: 'Every so many',
    group: 'Events',
    note: 'Lets every n-th event pass.',
    also: 'every fifth count divide',
  },
  once: {
    name: 'Once',
    group: 'Events',
    note: 'Lets the first event pass, and no other until it is reset.',
    also: 'first only single',
  },
  pause: {
    name: 'Not too often',
    group: 'Events',
    note: 'Lets an event pass when so much time has gone since the last.',
    also: 'cooldown throttle limit rate',
  },
  debounce: {
    name: 'When it rests',
    group: 'Events',
    note: 'Passes when no event has come for so long after one.',
    also: 'debounce settle quiet',
  },
  inOrder: {
    name: 'In order',
    group: 'Events',
    note: 'Sends events one after another to as many ways.',
    also: 'sequence round robin next cycle',
  },
  randomWay: {
    name: 'One way by chance',
    group: 'Events',
    note: 'Sends each event one of up to four ways, by chance; weights say how often.',
    also: 'random pick weighted',
  },
  shuffled: {
    name: 'Shuffled',
    group: 'Events',
    note: 'A number from 1 to so many at each event: each once, in an order by chance, then anew.',
    also: 'shuffle deal cards random without repeat',
  },
  keepAt: {
    name: 'Keep at',
    group: 'Events',
    note: 'A number as it was when an event passed.',
    also: 'sample hold remember store snapshot',
  },
  lasts: {
    name: 'For a while',
    group: 'Events',
    note: 'Yes for so long after an event.',
    also: 'hold pulse duration timer',
  },
  begins: {
    name: 'Begins',
    group: 'Events',
    note: 'In the first step of the effect.',
    also: 'start first once',
  },
  happens: {
    name: 'Since the event',
    group: 'Events',
    note: 'How long ago an event passed; no value before.',
    also: 'elapsed age time',
  },
};
