/** Edits of scenes and of printed pictures. */
import type { Draft } from 'immer';
import { newScene, newTarget } from '../document/defaults';
import { removeObjects } from './object-edits';
import { edit, type Edit } from '../document/edit';
import { forget } from './forget';
import { sceneOrder, targetOrder } from '../document/queries';
import type { AssetId, Effect, EffectScene, SceneId, Target, TargetId } from '../document/schema';

/**
 * Adds a scene. The first time there are two: everything there is goes into the first, which opens the effect.
 * `ids` gives as many ids as are needed.
 */
export const addScene = (effect: Effect, newId: () => SceneId, made: SceneId[] = []): Edit =>
  edit('Add a scene', (d) => {
    const there = sceneOrder(effect);
    if (there.length === 0) {
      const first = newScene(newId(), 'Scene 1', 0);
      d.scenes[first.id] = first;
      d.openingScene = first.id;
      for (const object of Object.values(d.objects)) object.scene = first.id;
    }
    const n = Object.keys(d.scenes).length + 1;
    const scene = newScene(newId(), `Scene ${n}`, (there.at(-1)?.order ?? 0) + 1);
    d.scenes[scene.id] = scene;
    made.push(scene.id);
  });

/** Names a scene or gives it another place in the order; nothing where it is gone. */
export const changeScene = (id: SceneId, change: Partial<Pick<EffectScene, 'name' | 'order'>>): Edit =>
  edit('Change the scene', (d) => {
    const scene = d.scenes[id];
    if (scene) Object.assign(scene, change);
  });

/** The effect begins with this scene. */
export const openWith = (id: SceneId): Edit =>
  edit('Choose the opening scene', (d) => {
    if (d.scenes[id]) d.openingScene = id;
  });

/** Removes a scene with all that is only in it; the last one that stays becomes everything there is. */
export const removeScene = (effect: Effect, id: SceneId): Edit =>
  edit(`Delete ${effect.scenes[id]?.name ?? 'scene'}`, (d) => {
    delete d.scenes[id];
    const left = sceneOrder(effect).filter((s) => s.id !== id);
    const only = Object.values(effect.objects).filter((o) => o.parent === null && o.scene === id);
    removeObjects(
      effect,
      only.map((o) => o.id),
    ).change(d);
    forget(d, effect, 'scenes', new Set([id]));
    if (d.openingScene === id) d.openingScene = left[0]?.id ?? null;
    if (left.length === 1) {
      for (const object of Object.values(d.objects)) object.scene = null;
      d.scenes = {};
      d.openingScene = null;
      for (const cue of Object.values(d.cues))
        for (const beat of cue.beats)
          for (const action of beat.actions) if (action.kind === 'scene') action.scene = null;
    }
  });

/** Adds a printed picture. */
export const addTarget = (effect: Effect, id: TargetId, name: string, asset: AssetId | null): Edit =>
  edit(`Add ${name}`, (d) => {
    const order = (targetOrder(effect).at(-1)?.order ?? -1) + 1;
    d.targets[id] = newTarget(id, name, order, asset) as Draft<Target>;
  });

/** Changes a printed picture; nothing where it is gone. */
export const changeTarget = (effect: Effect, id: TargetId, change: Partial<Omit<Target, 'id'>>): Edit =>
  edit(`Change ${effect.targets[id]?.name ?? 'the picture'}`, (d) => {
    const target = d.targets[id];
    if (target) Object.assign(target, change);
  });

/** Removes a printed picture with what lies on it. */
export const removeTarget = (effect: Effect, id: TargetId): Edit =>
  edit(`Delete ${effect.targets[id]?.name ?? 'the picture'}`, (d) => {
    delete d.targets[id];
    const on = Object.values(effect.objects).filter(
      (o) => o.parent === null && o.anchor.kind === 'picture' && o.anchor.target === id,
    );
    removeObjects(
      effect,
      on.map((o) => o.id),
    ).change(d);
    forget(d, effect, 'targets', new Set([id]));
    if (d.ground?.kind === 'picture' && d.ground.target === id) d.ground = null;
  });
