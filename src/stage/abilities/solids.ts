import { ContactShadowView } from '../effect/objects/contact-shadow-view';
import { ShadowCatcherView } from '../effect/objects/shadow-catcher-view';
import { SolidView } from '../effect/objects/solid-view';
import { viewOf, type Abilities } from './abilities';

export const solids: Partial<Abilities> = {
  views: {
    solid: viewOf((tools) => new SolidView(tools)),
    contactShadow: viewOf(() => new ContactShadowView()),
    shadowCatcher: viewOf(() => new ShadowCatcherView()),
  },
};
