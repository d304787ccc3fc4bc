/** What nodes that change with time are called. */
import type { CHANGE_NODES } from '../time-nodes';
import type { WordsOf } from './node-words-kind';

export const CHANGE_WORDS: WordsOf<typeof CHANGE_NODES> = {
  smooth: {
    name: 'Smooth',
    group: 'Change with time',
    note: 'Follows a number, behind it by so much.',
    also: 'lag lowpass filter ease follow',
  },
  spring: {
    name: 'Spring',
    group: 'Change with time',
    note: 'Follows a number and swings over.',
    also: 'elastic bounce wobble overshoot',
  },
  towards: {
    name: 'At most so fast',
    group: 'Change with time',
    note: 'Follows a number, no faster than so much a second.',
    also: 'limit speed slew rate',
  },
  speed: {
    name: 'Speed of change',
    group: 'Change with time',
    note: 'How much a number changes in a second.',
    also: 'derivative velocity rate',
  },
  addUp: {
    name: 'Add up',
    group: 'Change with time',
    note: 'Adds up a number over time: so much a second.',
    also: 'integrate accumulate total sum',
  },
  hysteresis: {
    name: 'Slow to change its mind',
    group: 'Change with time',
    note: 'Yes above one number, no below another, and as before between.',
    also: 'hysteresis threshold schmitt',
  },
  extremes: {
    name: 'Least and greatest so far',
    group: 'Change with time',
    note: 'The least and the greatest that a number has been since reset.',
    also: 'peak record best high score minimum maximum',
  },
  average: {
    name: 'Mean of the last',
    group: 'Change with time',
    note: 'The mean of a number over the last seconds.',
    also: 'average rolling window smooth',
  },
  noise: {
    name: 'Drift',
    group: 'Change with time',
    note: 'A number that wanders by itself, smoothly, about 0.',
    also: 'noise random wobble organic',
  },
  randomBetween: {
    name: 'By chance between',
    group: 'Change with time',
    note: 'A number by chance between two, anew at each event.',
    also: 'random dice',
  },
  fall: {
    name: 'Fall',
    group: 'Change with time',
    note: 'Falls from where it is let go, and bounces on a floor.',
    also: 'gravity drop bounce physics',
  },
  pendulum: {
    name: 'Pendulum',
    group: 'Change with time',
    note: 'The angle of something that hangs, while what holds it moves sideways and tilts.',
    also: 'swing gravity earring string',
  },
};
