import { TextView } from '../effect/objects/text-view';
import { viewOf, type Abilities } from './abilities';

export const texts: Partial<Abilities> = {
  views: { text: viewOf((tools) => new TextView(tools)) },
};
