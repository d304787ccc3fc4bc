import { ModelView } from '../effect/objects/model-view';
import { viewOf, type Abilities } from './abilities';

export const models: Partial<Abilities> = {
  views: { model: viewOf((tools) => new ModelView(tools)) },
};
