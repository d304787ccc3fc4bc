import { mixedColour } from '../../maths/mixed-colour';
import { colour as colourProperty } from '../../schema/properties';
import { colourOf } from '../colour-of';
import { defineAction } from './action-kind';

export const colour = defineAction({
  kind: 'colour',
  name: 'colour',
  group: 'Seen or not',
  summary: (action) => `colour to ${action.colour}`,
  fields: { colour: colourProperty('Colour') },
  fresh: { colour: '#0f6b62' },
  pace: 'eases',
  actsOn: 'objects',
  changes: ['colour'],
  unsuited: (_, object) =>
    colourOf(object) === null ? 'has no colour of its own: give it a material, and change that' : null,
  act: ({ action, object, values, from, k }) => {
    const own = from.colour ?? colourOf(object);
    if (own !== null) values.colour = mixedColour(own, action.colour, k);
  },
});
