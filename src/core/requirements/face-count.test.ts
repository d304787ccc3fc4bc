/** As many faces are looked for as an effect tells apart. */
import { expect, test } from '@jest/globals';
import { cueOf } from '../behave/testing';
import { blankEffect } from '../document/defaults';
import { newDrive } from '../document/new-cues';
import { sampleAsset } from '../document/sample';
import type {
  DriveId,
  Effect,
  EffectObject,
  FaceChoice,
  ObjectId,
  Signal,
  Trigger,
} from '../document/schema';
import { newCard } from '../kinds/objects/card';
import { newCutout } from '../kinds/objects/cutout';
import { newGroup } from '../kinds/objects/group';
import { headAnchor } from '../kinds/objects/placed';
import { faceCount } from './face-count';

const ID = 'obj_only' as ObjectId;
const picture = sampleAsset(1);
const withObjects = (...objects: EffectObject[]): Effect => ({
  ...blankEffect('Faces'),
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});
const on = (face: FaceChoice): number =>
  faceCount(withObjects(newCard(ID, picture, 0, headAnchor('crown', face))));
const watching = (...triggers: Trigger[]): number => {
  const cue = cueOf('effectStarts', [], { triggers });
  return faceCount({ ...blankEffect('Faces'), cues: { [cue.id]: cue } });
};
const driven = (signal: Signal): number => {
  const id = 'drive_a' as DriveId;
  const drive = newDrive(id, 0, signal, { kind: 'number', objects: [ID], property: 'size' });
  return faceCount({ ...blankEffect('Faces'), drives: { [id]: drive } });
};

test('what sticks to a face, to any, or to every one', () => {
  expect([on(1), on(2), on(4), on('any'), on('every')]).toEqual([1, 2, 4, 4, 4]);
  expect(faceCount(blankEffect('None'))).toBe(1);
});
test('what hangs in a group is where the group is; a cutout is of a face elsewhere', () => {
  const group = newGroup('obj_group' as ObjectId, 'Group', 0, headAnchor('chin', 3));
  expect(faceCount(withObjects(group, { ...newCard(ID, picture, 1), parent: group.id }))).toBe(3);
  expect(faceCount(withObjects({ ...newCutout(ID, 'mouth', 0), face: 2 }))).toBe(2);
});
test('what a trigger or a signal names, and the number of faces itself', () => {
  expect(watching({ kind: 'face', face: 2, when: 'appears' })).toBe(2);
  expect(watching({ kind: 'head', gesture: 'nod', face: 3 })).toBe(3);
  expect(driven({ kind: 'expression', face: 2, name: 'jawOpen' })).toBe(2);
  expect(driven({ kind: 'facesApart', face: 1, other: 4 })).toBe(4);
  expect(driven({ kind: 'faces' })).toBe(4);
});
