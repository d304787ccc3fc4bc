import { FountainView } from '../effect/objects/fountain-view';
import { viewOf, type Abilities } from './abilities';

export const fountains: Partial<Abilities> = {
  views: { fountain: viewOf((tools) => new FountainView(tools)) },
};
