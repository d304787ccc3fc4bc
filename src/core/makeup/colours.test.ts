import { expect, test } from '@jest/globals';
import type { ObjectId } from '../document/schema';
import { newHair } from '../kinds/objects/hair';
import { newIris } from '../kinds/objects/iris';
import { newLashes } from '../kinds/objects/lashes';
import { newLayer } from '../kinds/objects/layer';
import { newRetouch } from '../kinds/objects/retouch';
import { coloursFor, coloursGroup } from './colours';
import { KIT } from './kit';

const id = 'obj_face' as ObjectId;

test('every piece of the kit that has a colour is offered its own among others, beside its group', () => {
  for (const { group, layer, colours } of KIT) {
    const object = newLayer(id, layer, 0);
    expect(coloursGroup(object)).toBe(group);
    const offered = coloursFor(object);
    expect(new Set(offered).size).toBe(offered.length);
    expect(offered).not.toContain('#ffffff');
    if (layer.tint === '#ffffff') continue;
    for (const one of [layer.tint, ...colours.slice(0, 2)])
      if (one !== '#ffffff') expect(offered).toContain(one);
  }
});

test('irises, lashes and hair are offered colours beside the rest; retouch and the whole face are not', () => {
  for (const object of [newIris(id, 0), newLashes(id, 0), newHair(id, 0)]) {
    expect(coloursGroup(object)).toBe('more');
    expect(coloursFor(object)).toContain(object.tint);
  }
  for (const object of [newRetouch(id, 0), newLayer(id, { region: 'face' }, 0)]) {
    expect(coloursGroup(object)).toBeNull();
    expect(coloursFor(object)).toEqual([]);
  }
});
