/** What tests of kinds share: one object of each, as it is made. */
import type { ObjectId } from '../schema/placed-schema';
import type { ObjectKind, ObjectOf } from './objects/objects';
import { sampleModel } from '../document/sample-assets';
import { sampleAsset } from '../document/sample';
import { newCard } from './objects/card';
import { newContactShadow } from './objects/contact-shadow';
import { newCutout } from './objects/cutout';
import { newFill } from './objects/fill';
import { newFountain } from './objects/fountain';
import { newGrade } from './objects/grade';
import { newGroup } from './objects/group';
import { newHair } from './objects/hair';
import { newIris } from './objects/iris';
import { newLashes } from './objects/lashes';
import { newLayer } from './objects/layer';
import { newLight } from './objects/light';
import { newLive } from './objects/live';
import { newModel } from './objects/model';
import { newMorph } from './objects/morph';
import { newOccluder } from './objects/occluder';
import { FOREHEAD } from './objects/placed';
import { newPart } from './objects/part';
import { newRetouch } from './objects/retouch';
import { newShadowCatcher } from './objects/shadow-catcher';
import { newSolid } from './objects/solid';
import { newSound } from './objects/sound';
import { newText } from './objects/text';

export const ID = 'obj_kinds' as ObjectId;
export const picture = sampleAsset(1);
export const model = sampleModel(2);
export const ASSETS = { [picture.id]: picture, [model.id]: model };

/** One of each, as it is made. */
export const NEW: { readonly [K in ObjectKind]: ObjectOf<K> } = {
  card: newCard(ID, picture, 0),
  live: newLive(ID, 'person', 0),
  fill: { ...newFill(ID, 0), to: '#102030' },
  layer: newLayer(ID, { region: 'lips' }, 0),
  iris: newIris(ID, 0),
  lashes: newLashes(ID, 0),
  hair: newHair(ID, 0),
  retouch: newRetouch(ID, 0),
  morph: newMorph(ID, 0),
  cutout: newCutout(ID, 'mouth', 0),
  model: newModel(ID, model, 0),
  part: newPart(ID, { id: 'obj_lantern' as ObjectId, anchor: FOREHEAD }, 1, model.tree!, 0),
  solid: newSolid(ID, 'box', 0),
  text: newText(ID, 'Low tide tonight', 0),
  group: newGroup(ID, 'Shells', 0),
  occluder: newOccluder(ID, 0),
  shadowCatcher: newShadowCatcher(ID, 0, { kind: 'world', surface: 'floor' }),
  contactShadow: newContactShadow(ID, 0, { kind: 'world', surface: 'floor' }),
  light: newLight(ID, 'point', 0, FOREHEAD),
  grade: newGrade(ID, 0),
  fountain: { ...newFountain(ID, 0, FOREHEAD), floor: 0.5, face: 0.4 },
  sound: newSound(ID, null, 0, FOREHEAD),
};
