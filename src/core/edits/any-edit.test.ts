import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CUTOUT_PARTS } from '../face/cutout-parts';
import { changeCutout } from './cutout-edits';
import * as cueEdits from './cue-edits';
import { newCue } from '../document/new-cues';
import { addLayerInOrder } from './look-edits';
import { newCutout } from '../kinds/objects/cutout';
import { newLayer } from '../kinds/objects/layer';
import { newMorph } from '../kinds/objects/morph';
import { headAnchor } from '../kinds/objects/placed';
import { newCard } from '../kinds/objects/card';
import { newGroup } from '../kinds/objects/group';
import { newModel } from '../kinds/objects/model';
import { newOccluder } from '../kinds/objects/occluder';
import { type Edit } from '../document/edit';
import {
  addAsset,
  bringIn,
  removeAssets,
  removeAssetsAndObjects,
  renameAssets,
  replaceAsset,
} from './asset-edits';
import { addObject, changeObject, removeObject, styleCard, styleSolid } from './object-edits';
import { changeListing, renameEffect } from './effect-edits';
import { IconiaError } from '../errors';
import { History } from '../document/history';
import { orderOnTop, stackOrder } from '../document/queries';
import { sampleAsset, sampleEffect } from '../document/sample';
import { sampleModel } from '../document/sample-assets';
import {
  BLEND_MODES,
  effectSchema,
  type Anchor,
  type CueId,
  type Effect,
  type MaterialId,
  type NodeId,
  type ObjectId,
  type SceneId,
  type TargetId,
} from '../document/schema';
import { NO_JITTER, NO_STEPS } from '../placing/spread';
import { addScene, addTarget, removeScene, removeTarget } from './scene-edits';
import { copyToFace, duplicateObjects, mirrorCopy, mirrorObjects, spreadObject } from './copy-edits';
import {
  addMaterial,
  addNodes,
  changeMaterial,
  makeMaterialsOwn,
  removeMaterial,
  removeNodes,
  wearMaterial,
} from './material-edits';
import { newMaterial, newSurfaceNode } from '../document/new-material';
import { CIRCUIT_RECIPES } from '../surface/recipes';
import { clearSamples } from './sample-edits';
import { putBack, setApart } from './part-edits';
import { groupObjects, moveInStack, stickTo, ungroupObjects } from './stack-edits';

/** Ids that differ for each edit. */
const freshIds = (serial: number, prefix?: string) => {
  let n = 0;
  return (kind?: string): string => `${prefix ?? kind ?? 'obj'}_x${serial}y${n++}`;
};

/** A random edit, made for the document as it is when its turn comes. */
const anyEdit = fc
  .record({
    kind: fc.nat(46),
    pick: fc.nat(), // JSON knows no -0.
    number: fc.double({ min: -50, max: 50, noNaN: true }).map((n) => n + 0),
    text: fc.string({ maxLength: 12 }),
  })
  .map(({ kind, pick, number, text }) => {
    return (effect: Effect, serial: number): Edit => {
      const objects = stackOrder(effect);
      const object = objects[pick % Math.max(1, objects.length)];
      const cue = Object.values(effect.cues)[0];
      const fresh = `obj_new${serial}` as ObjectId;
      const ids = objects.filter((_, i) => i % 3 === pick % 3).map((o) => o.id);
      const target = Object.values(effect.targets)[0];
      const material = Object.values(effect.materials)[pick % 2];
      const node = Object.values(material?.circuit ?? {})[pick % 5];
      const anchors: Anchor[] = [
        headAnchor('chin', 'every'),
        { kind: 'skin', face: 2, spot: [0.3, 0.6] },
        { kind: 'world', surface: 'wall' },
        { kind: 'screen', pin: 'left' },
        { kind: 'backdrop' },
        ...(target ? [{ kind: 'picture', target: target.id } as const] : []),
      ];
      const asset = sampleAsset(1000 + serial);
      const model = objects.find((o) => o.kind === 'model' && effect.assets[o.asset]);
      switch (object ? kind : kind % 3) {
        case 0:
          return bringIn('Bring in', [asset], [newCard(fresh, asset, orderOnTop(effect))]);
        case 1:
          return addObject(newOccluder(fresh, number));
        case 2:
          return renameEffect(text);
        case 3:
          return removeObject(effect, object!.id);
        case 4:
          return duplicateObjects(effect, [object!.id], freshIds(serial));
        case 5:
          return changeObject(effect, object!.id, {
            move: [number, 0, number],
            turn: [0, number * 20, 0],
          });
        case 6:
          return styleCard(effect, object!.id, {
            opacity: Math.abs(number) / 50,
            blend: BLEND_MODES[pick % 4]!,
          });
        case 7:
          return moveInStack(effect, ids, { parent: null, before: objects[0]!.id, anchor: null });
        case 8:
          return cueEdits.putCue(
            newCue('cue_random' as CueId, 'screenTapped', number, [{ id: 'beat_random', actions: [] }]),
          );
        case 9:
          return cue ? cueEdits.removeCue(effect, cue.id) : changeListing({ summary: text });
        case 10:
          return changeListing({
            tags: text ? [text] : [],
            icon: Object.values(effect.assets)[0]?.id ?? null,
          });
        case 11:
          return removeAssets(effect, [Object.values(effect.assets)[0]?.id ?? asset.id]);
        case 12:
          return bringIn(
            'Group',
            [],
            [
              newGroup(fresh, 'Group', number),
              { ...newOccluder(`${fresh}in` as ObjectId, 0), parent: pick % 2 ? fresh : object!.id },
            ],
          );
        case 13: {
          const model = sampleModel(serial);
          return bringIn('Model', [model], [newModel(fresh, model, number)]);
        }
        case 14:
          return styleSolid(effect, object!.id, { opacity: Math.abs(number) / 50, clip: text });
        case 15: {
          const old = Object.values(effect.assets)[0];
          return replaceAsset(effect, {
            ...asset,
            id: old?.id ?? asset.id,
            height: 100 + (pick % 300),
          });
        }
        case 16:
          return renameAssets(new Map(Object.values(effect.assets).map((a) => [a.id, `${text} ${a.name}`])));
        case 17:
          return removeAssetsAndObjects(
            effect,
            Object.values(effect.assets)
              .slice(0, 2)
              .map((a) => a.id),
          );
        case 18:
          return groupObjects(effect, ids, fresh);
        case 19:
          return ungroupObjects(effect, ids);
        case 20:
          return moveInStack(effect, ids, {
            parent: object!.kind === 'group' ? object!.id : null,
            before: objects[(pick * 7) % objects.length]!.id,
            anchor: anchors[pick % anchors.length]!,
          });
        case 21:
          return stickTo(effect, ids, anchors[pick % anchors.length]!);
        case 22:
          return mirrorObjects(effect, ids);
        case 23:
          return mirrorCopy(effect, ids, freshIds(serial));
        case 24:
          return copyToFace(effect, ids, (pick % 4) + 1, freshIds(serial));
        case 25:
          return spreadObject(
            effect,
            object!.id,
            {
              count: 1 + (pick % 6),
              shape: { kind: 'ring', radius: 0.1, angle: number, outward: pick % 2 === 0, about: 'y' },
              steps: { ...NO_STEPS, size: 1.1 },
              jitter: { ...NO_JITTER, turn: 9, delay: 1 },
              seed: pick,
            },
            freshIds(serial),
            `${fresh}g` as ObjectId,
          );
        case 26:
          return addScene(effect, freshIds(serial, 'scene') as () => SceneId);
        case 27: {
          const scene = Object.values(effect.scenes)[0];
          return scene ? removeScene(effect, scene.id) : renameEffect(text);
        }
        case 28:
          return addTarget(effect, `target_new${serial}` as TargetId, text, asset.id);
        case 29: {
          const target = Object.values(effect.targets)[0];
          return target ? removeTarget(effect, target.id) : renameEffect(text);
        }
        case 30:
          return clearSamples(effect);
        case 31:
          return changeObject(effect, object!.id, {
            scale: [0, number * 1e9, -1],
            pivot: [number, 0, 1e9],
            lookAt: { front: '-x', about: 'y' },
          });
        case 32:
          return addMaterial(effect, newMaterial(`mat_new${serial}` as MaterialId, text || 'Material'), ids);
        case 33:
          return wearMaterial(effect, ids, material?.id ?? null, pick % 2 ? 'all' : String(pick % 3));
        case 34:
          return material ? removeMaterial(effect, material.id) : renameEffect(text);
        case 35:
          return makeMaterialsOwn(effect, ids, freshIds(serial));
        case 36:
          return duplicateObjects(effect, ids, freshIds(serial), 'own', new Map(), 'own');
        case 37:
          return material
            ? changeMaterial(effect, material.id, {
                circuit: CIRCUIT_RECIPES[pick % CIRCUIT_RECIPES.length]!.circuit(
                  freshIds(serial, 'node') as () => NodeId,
                ),
                roughness: Math.abs(number) / 50,
              })
            : renameEffect(text);
        case 38:
          return material && node
            ? removeNodes(effect, material.id, [node.id])
            : changeListing({ summary: text });
        case 39:
          return material && node
            ? addNodes(effect, material.id, [
                newSurfaceNode(`node_new${serial}` as NodeId, 'noise', [number, 0]),
              ])
            : renameEffect(text);
        case 40:
          return addObject(newCutout(fresh, CUTOUT_PARTS[pick % CUTOUT_PARTS.length]!, number));
        case 41:
          return changeCutout(effect, object!.id, {
            part: CUTOUT_PARTS[pick % CUTOUT_PARTS.length]!,
            outer: Math.abs(number) / 1000,
          });
        case 42:
          return addObject({
            ...newMorph(fresh, number, (pick % 4) + 1),
            sliders: { chin: number / 50 + 0 },
            regions: pick % 2 ? ['nose'] : [],
          });
        case 43:
          return addLayerInOrder(effect, newLayer(fresh, { region: 'lids', name: 'Lids' }, 0), 1);
        case 44:
          return model ? setApart(effect, model.id, pick % 3, fresh) : renameEffect(text);
        case 45:
          return putBack(effect, ids);
        default: {
          const action = cue?.beats[0]?.actions[0];
          return cue && action
            ? cueEdits.changeAction(cue.id, { ...action, delay: Math.abs(number) })
            : addAsset(asset);
        }
      }
    };
  });

test('any sequence of edits, undone, gives the first document back; redone, the last', () => {
  fc.assert(
    fc.property(
      fc.array(anyEdit, { maxLength: 25 }),
      fc.array(fc.boolean(), { maxLength: 25 }),
      (makers, gestures) => {
        const first = sampleEffect(3, 2);
        const history = new History(first);
        makers.forEach((make, i) => {
          const before = history.effect;
          try {
            history.edit(make(history.effect, i), gestures[i] ? 'drag' : null);
          } catch (error) {
            // What does not fit is refused as a whole.
            if (!(error instanceof IconiaError)) throw error;
            expect(history.effect).toBe(before);
          }
        });
        const last = history.effect;
        // What an edit makes is always a valid document.
        expect(effectSchema.safeParse(last).error?.issues ?? []).toEqual([]);
        let steps = 0;
        while (history.undoLabel) {
          history.undo();
          steps++;
        }
        expect(history.effect).toEqual(first);
        for (let i = 0; i < steps; i++) history.redo();
        expect(history.effect).toEqual(last);
        expect(history.redoLabel).toBeNull();
      },
    ),
  );
});
