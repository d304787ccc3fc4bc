/** Edits of materials, and of what wears them. */
import type { Draft } from 'immer';
import { IconiaError } from '../errors';
import { objectWords } from './object-edits';
import { edit, type Edit } from '../document/edit';
import { bendIn, straightenIn, type PortOf, moveIn, removeFrom, wireIn } from './graph-edits';
import type { BoardPlace } from '../graph/graph';
import { forget } from './forget';
import { ALL_SLOTS, freeMaterialName, materialIdsOf } from '../document/material-queries';
import type {
  SurfaceCircuit,
  SurfaceNode,
  Effect,
  EffectObject,
  Material,
  MaterialId,
  NodeId,
  ObjectId,
} from '../document/schema';
import { MOST_SURFACE_NODES } from '../document/schema';

/** Lets a draft wear a material in a slot; what cannot wear one stays as it is. */
const wear = (draft: Draft<EffectObject> | undefined, id: MaterialId | null, slot: string): void => {
  if (!draft) return;
  if ('material' in draft) draft.material = id;
  else if ('materials' in draft) {
    // All of it: what single parts wore is taken off.
    if (slot === ALL_SLOTS) draft.materials = {};
    if (id === null) delete draft.materials[slot];
    else draft.materials[slot] = id;
  }
};

/** Objects wear a material; null gives them back their own look. */
export const wearMaterial = (
  effect: Effect,
  ids: readonly ObjectId[],
  id: MaterialId | null,
  slot = ALL_SLOTS,
): Edit =>
  edit(
    id === null ? `Own look of ${objectWords(effect, ids)}` : `Material of ${objectWords(effect, ids)}`,
    (d) => {
      for (const object of ids) wear(d.objects[object], id, slot);
    },
  );

/** A new material, under a free name, worn by objects at once. */
export const addMaterial = (
  effect: Effect,
  material: Material,
  wearers: readonly ObjectId[] = [],
  slot = ALL_SLOTS,
): Edit =>
  edit(`Add the material ${material.name}`, (d) => {
    d.materials[material.id] = {
      ...material,
      name: freeMaterialName(effect, material.name),
    } as Draft<Material>;
    for (const id of wearers) wear(d.objects[id], material.id, slot);
  });

/** Changes fields of a material; nothing where it is gone. */
export const changeMaterial = (effect: Effect, id: MaterialId, change: Partial<Omit<Material, 'id'>>): Edit =>
  edit(`Change ${effect.materials[id]?.name ?? 'material'}`, (d) => {
    if (d.materials[id]) Object.assign(d.materials[id], change);
  });

/** Removes a material; whoever wore it has its own look again. */
export const removeMaterial = (effect: Effect, id: MaterialId): Edit =>
  edit(`Delete the material ${effect.materials[id]?.name ?? ''}`.trim(), (d) => {
    delete d.materials[id];
    forget(d, effect, 'materials', new Set([id]));
  });

/** Gives objects copies of the materials they share with others, so that a change is theirs alone. */
export const makeMaterialsOwn = (
  effect: Effect,
  ids: readonly ObjectId[],
  newId: (prefix: string) => string,
): Edit =>
  edit(`Materials of ${objectWords(effect, ids)} are their own`, (d) => {
    for (const objectId of ids) {
      const object = d.objects[objectId] as EffectObject | undefined;
      if (!object) continue;
      for (const id of materialIdsOf(object)) {
        const shared = d.materials[id];
        if (!shared) continue;
        const own = newId('mat') as MaterialId;
        d.materials[own] = {
          ...shared,
          id: own,
          name: freeMaterialName(d as Effect, shared.name),
        } as Draft<Material>;
        const draft = d.objects[objectId]!;
        if ('material' in draft) draft.material = own;
        else if ('materials' in draft)
          for (const [slot, worn] of Object.entries(draft.materials))
            if (worn === id) draft.materials[slot] = own;
      }
    }
  });

const inCircuit = (
  effect: Effect,
  id: MaterialId,
  label: string,
  change: (circuit: Draft<SurfaceCircuit>) => void,
): Edit =>
  edit(`${label} ${effect.materials[id]?.name ?? 'material'}`, (d) => {
    const circuit = d.materials[id]?.circuit;
    if (circuit) change(circuit as Draft<SurfaceCircuit>);
  });

/**
 * Adds nodes to a circuit.
 * Throws `IconiaError` `circuit.full` when that many do not fit.
 */
export const addNodes = (effect: Effect, id: MaterialId, nodes: readonly SurfaceNode[]): Edit =>
  inCircuit(effect, id, nodes.length === 1 ? 'Add a node to' : 'Add nodes to', (circuit) => {
    if (Object.keys(circuit).length + nodes.length > MOST_SURFACE_NODES)
      throw new IconiaError(
        'circuit.full',
        `A circuit holds ${MOST_SURFACE_NODES} nodes, so ${nodes.length} more do not fit. Nothing was added.`,
      );
    for (const node of nodes) circuit[node.id] = node as Draft<SurfaceNode>;
  });

/** Takes nodes away, with the wires that ran to and from them. The surface itself stays. */
export const removeNodes = (effect: Effect, id: MaterialId, gone: readonly NodeId[]): Edit =>
  inCircuit(effect, id, gone.length === 1 ? 'Delete a node of' : 'Delete nodes of', (circuit) => {
    removeFrom(circuit, gone, (node) => node.type === 'surface');
  });

/** Changes values, the picture or the place of a node in a material's circuit; nothing where it is gone. */
export const changeNode = (
  effect: Effect,
  id: MaterialId,
  node: NodeId,
  change: Partial<Pick<SurfaceNode, 'values' | 'picture' | 'at'>>,
): Edit =>
  inCircuit(effect, id, 'Change a node of', (circuit) => {
    const draft = circuit[node];
    if (!draft) return;
    if (change.values) Object.assign(draft.values, change.values);
    if (change.picture !== undefined) draft.picture = change.picture;
    if (change.at) draft.at = change.at;
  });

/** Moves nodes on the board. */
export const moveNodes = (
  effect: Effect,
  id: MaterialId,
  places: ReadonlyMap<NodeId, readonly [number, number]>,
): Edit =>
  inCircuit(effect, id, 'Move nodes of', (circuit) => {
    moveIn(circuit, places);
  });

/** Lays nodes out anew: wires run straight again. */
export const layOutNodes = (
  effect: Effect,
  id: MaterialId,
  places: ReadonlyMap<NodeId, readonly [number, number]>,
): Edit =>
  inCircuit(effect, id, 'Lay out the nodes of', (circuit) => {
    straightenIn(circuit);
    moveIn(circuit, places);
  });

/** Leads the wire into an input past these places; along none it runs straight. */
export const bendSurfaceWire = (
  effect: Effect,
  id: MaterialId,
  to: PortOf,
  via: readonly BoardPlace[],
): Edit =>
  inCircuit(effect, id, via.length > 0 ? 'Bend a wire of' : 'Straighten a wire of', (circuit) => {
    bendIn(circuit, to, via);
  });

/** Runs a wire into an input, instead of the one that ran there; null takes it away. */
export const wire = (
  effect: Effect,
  id: MaterialId,
  to: { readonly node: NodeId; readonly port: string },
  from: { readonly node: NodeId; readonly port: string } | null,
): Edit =>
  inCircuit(effect, id, from ? 'Wire nodes of' : 'Take a wire off', (circuit) => {
    wireIn(circuit, to, from);
  });
