/** What nodes of time are called. */
import type { TIME_NODES } from '../time-nodes';
import type { WordsOf } from './node-words-kind';

export const TIME_WORDS: WordsOf<typeof TIME_NODES> = {
  time: { name: 'Time', group: 'Time', note: 'Seconds since the effect started.', also: 'clock now elapsed' },
  delayEvent: {
    name: 'Event later',
    group: 'Time',
    note: 'An event, so much later. Each one that comes meanwhile is kept too.',
    also: 'delay wait after',
  },
  before: {
    name: 'A step before',
    group: 'Time',
    note: 'A number as it was in the step before: a circle of wires needs one of these.',
    also: 'previous last loop feedback delay',
  },
  earlier: {
    name: 'Earlier',
    group: 'Time',
    note: 'A number as it was so long ago, up to a minute.',
    also: 'delay lag echo history',
  },
  every: {
    name: 'Every so often',
    group: 'Time',
    note: 'An event again and again, the first at once.',
    also: 'interval repeat timer metronome',
  },
  beat: {
    name: 'Tempo',
    group: 'Time',
    note: 'Beats of a tempo, the first at once, and how far each is.',
    also: 'bpm music rhythm beat bar',
  },
  stopwatch: {
    name: 'Stopwatch',
    group: 'Time',
    note: 'Seconds while it is yes; begins anew at reset.',
    also: 'timer elapsed count up',
  },
  countdown: {
    name: 'Countdown',
    group: 'Time',
    note: 'Seconds that are left, from an event on; an event when none are.',
    also: 'timer remaining game clock',
  },
  at: {
    name: 'At a time',
    group: 'Time',
    note: 'An event when the effect has run for so long.',
    also: 'schedule moment timeline',
  },
  ramp: {
    name: 'Ramp',
    group: 'Time',
    note: 'From 0 to 1 in so many seconds from an event on, along a curve.',
    also: 'ease animate tween transition',
  },
  cycle: {
    name: 'Cycle',
    group: 'Time',
    note: 'From 0 to 1 again and again, or there and back.',
    also: 'loop oscillator lfo wave repeat',
  },
};
