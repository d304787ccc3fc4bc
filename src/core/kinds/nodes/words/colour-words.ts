/** What nodes of colours are called. */
import type { COLOUR_NODES } from '../colour-nodes';
import type { WordsOf } from './node-words-kind';

export const COLOUR_WORDS: WordsOf<typeof COLOUR_NODES> = {
  colour: { name: 'Colour', group: 'Colours', note: 'A colour, set by hand.', also: 'constant paint' },
  fromRgb: {
    name: 'Colour from red, green, blue',
    group: 'Colours',
    note: 'Of shares of red, green and blue as screens have them.',
    also: 'rgb make',
  },
  splitColour: {
    name: 'Split colour',
    group: 'Colours',
    note: 'Red, green and blue as screens have them, and how light it is.',
    also: 'rgb break channels luminance brightness',
  },
  fromHsl: {
    name: 'Colour from hue',
    group: 'Colours',
    note: 'Of hue, saturation and lightness (HSL).',
    also: 'rainbow hsl make',
  },
  toHsl: {
    name: 'Hue of a colour',
    group: 'Colours',
    note: 'Hue, saturation and lightness (HSL).',
    also: 'hsl split',
  },
  fromOklch: {
    name: 'Colour as seen',
    group: 'Colours',
    note: 'Of lightness, colourfulness and hue as eyes see them (OKLCH); what no screen shows is brought to what it can.',
    also: 'oklch lch perceptual make',
  },
  toOklch: {
    name: 'Colour as seen, split',
    group: 'Colours',
    note: 'Lightness, colourfulness and hue as eyes see them (OKLCH).',
    also: 'oklch lch perceptual',
  },
  mixColours: {
    name: 'Mix colours',
    group: 'Colours',
    note: 'From one colour to another by a share, in light.',
    also: 'blend lerp fade',
  },
  gradient: {
    name: 'Gradient',
    group: 'Colours',
    note: 'Through three colours by a share.',
    also: 'ramp map heat',
  },
  brighter: {
    name: 'Brighter',
    group: 'Colours',
    note: 'A colour with so much times the light.',
    also: 'darker exposure multiply gain',
  },
};
