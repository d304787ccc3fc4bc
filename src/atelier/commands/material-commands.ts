/** Materials by command: made, worn, filled from a set of pictures, given a circuit. */
import { recogniseSet, type RecognisedSet } from '../../core/assets/texture-sets';
import { styleFlat } from '../../core/edits/object-edits';
import { edit, applyEdit, type Edit } from '../../core/document/edit';
import { addMaterial, changeMaterial, wearMaterial } from '../../core/edits/material-edits';
import { ALL_SLOTS, materialIdOf, type Wearer } from '../../core/document/material-queries';
import { wearersAmong } from '../../core/document/wearers';
import { newMaterial } from '../../core/document/new-material';
import {
  MAP_SLOTS,
  type AssetId,
  type Effect,
  type Material,
  type MaterialId,
  type NodeId,
  type PictureAsset,
} from '../../core/document/schema';
import { CIRCUIT_RECIPES } from '../../core/surface/recipes';
import type { StockMaterial } from '../../core/surface/stock-materials';
import { newId } from '../api/ids';
import { MAP_WORDS, RECIPE_WORDS } from '../material-words';
import { useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';

export const newMaterialId = (): MaterialId => newId('mat') as MaterialId;

/** What is selected that can wear a material, members of groups among it. */
export const selectedWearers = (): Wearer[] =>
  wearersAmong(useEffectStore().effect, useDeskStore().selection);

/** What an object looks like without a material, as the beginning of one. */
const lookOf = (object: Wearer | undefined): Partial<Material> => {
  if (object?.kind === 'solid')
    return { colour: object.colour, roughness: object.roughness, metalness: object.metalness };
  if (object?.kind === 'fill') return { colour: object.tint, shading: 'unlit', doubleSided: true };
  if (object?.kind === 'card')
    return { colour: object.tint, shading: 'unlit', alpha: 'blend', doubleSided: object.doubleSided };
  return {};
};

/** Adds a material and puts it on what is selected; it is the one that is worked on. */
export const addAndWear = (material: Material, slot = ALL_SLOTS): void => {
  const effectStore = useEffectStore();
  const desk = useDeskStore();
  const ids = selectedWearers().map((o) => o.id);
  if (effectStore.edit(addMaterial(effectStore.effect, material, ids, slot)))
    desk.style.material = material.id;
};

export const addNewMaterial = (slot = ALL_SLOTS): void => {
  const [object] = selectedWearers();
  addAndWear(newMaterial(newMaterialId(), object ? object.name : 'Material', lookOf(object)), slot);
};
export const addStockMaterial = ({ name, look }: StockMaterial, slot = ALL_SLOTS): void =>
  addAndWear(newMaterial(newMaterialId(), name, look), slot);

export const wearOnSelected = (id: MaterialId | null, slot = ALL_SLOTS): void => {
  const effectStore = useEffectStore();
  effectStore.edit(
    wearMaterial(
      effectStore.effect,
      selectedWearers().map((o) => o.id),
      id,
      slot,
    ),
  );
  useDeskStore().style.material = id;
};

/** One edit made of several. */
const together = (label: string, edits: readonly ((effect: Effect) => Edit)[]): Edit =>
  edit(label, (d) => {
    // Each sees what those before it did.
    let effect = JSON.parse(JSON.stringify(d)) as Effect;
    for (const make of edits) {
      const one = make(effect);
      one.change(d);
      effect = applyEdit(effect, one).effect;
    }
  });

/** Lays pictures on a material by their names; without one, a new material is made for what is selected. */
export const layPictures = (
  pictures: readonly PictureAsset[],
  id: MaterialId | null,
  slot = ALL_SLOTS,
): RecognisedSet<AssetId> => {
  const effectStore = useEffectStore();
  const set = recogniseSet(pictures);
  if (Object.keys(set.maps).length === 0) return set;
  const wearers = selectedWearers();
  const own = id ?? newMaterialId();
  const before = id ? effectStore.effect.materials[id] : undefined;
  const material =
    before ?? newMaterial(own, wearers[0]?.name ?? 'Material', { ...lookOf(wearers[0]), colour: '#ffffff' });
  const maps = { ...material.maps };
  for (const one of MAP_SLOTS) if (set.maps[one]) maps[one] = { from: 'asset', asset: set.maps[one] };
  const change: Partial<Material> = {
    maps,
    ...(set.maps.normal ? { normalDown: set.normalDown } : {}),
    // A factor of 1 leaves roughness and metalness to their pictures.
    ...(set.maps.roughness ? { roughness: 1 } : {}),
    ...(set.maps.metalness ? { metalness: 1 } : {}),
    ...(set.maps.glow && material.glow === '#000000' ? { glow: '#ffffff' } : {}),
    ...(set.maps.mask
      ? {
          mask: { picture: { from: 'asset', asset: set.maps.mask }, by: 'grey', invert: false } as const,
          alpha: material.alpha === 'opaque' ? ('blend' as const) : material.alpha,
        }
      : {}),
  };
  effectStore.edit(
    together(`Lay ${pictures.length} pictures on ${material.name}`, [
      ...(before
        ? []
        : [
            (effect: Effect) =>
              addMaterial(
                effect,
                material,
                wearers.map((o) => o.id),
                slot,
              ),
          ]),
      (effect: Effect) => changeMaterial(effect, own, change),
    ]),
  );
  useDeskStore().style.material = own;
  return set;
};

const list = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** What came of a set, in sentences; `on` is the name of what wears it, where that is not plain. */
export const setWords = (
  pictures: readonly PictureAsset[],
  set: RecognisedSet<AssetId>,
  on: string | null = null,
): string => {
  const nameOf = (id: AssetId): string => pictures.find((p) => p.id === id)?.name ?? '';
  const found = Object.entries(set.maps).map(
    ([slot, id]) => `${MAP_WORDS[slot as keyof typeof MAP_WORDS].toLowerCase()} (${nameOf(id)})`,
  );
  return [
    ...(found.length > 0 ? [`Laid${on ? ` on ${on}` : ''}: ${list(found)}.`] : []),
    ...(set.unknown.length > 0
      ? [
          `${list(set.unknown.map((p) => p.name))}: the name does not tell what it is for. It is in the library; choose it in its place in the material.`,
        ]
      : []),
    ...(set.spare.length > 0
      ? [`${list(set.spare.map((p) => p.name))} was not laid: its place was taken by another of the set.`]
      : []),
    ...(set.odd.length > 0
      ? [
          `${list(set.odd.map((p) => p.name))} has another shape than the base colour, so the two do not lie over each other.`,
        ]
      : []),
  ].join(' ');
};

/** Gives the material a circuit; what it wants of the material and of its wearers goes with it. */
export const startCircuit = (key: string, id: MaterialId | null, slot = ALL_SLOTS): void => {
  const effectStore = useEffectStore();
  const recipe = CIRCUIT_RECIPES.find((r) => r.key === key);
  if (!recipe) return;
  const wearers = selectedWearers();
  const own = id ?? newMaterialId();
  const { name } = RECIPE_WORDS[key]!;
  const steps: ((effect: Effect) => Edit)[] = [];
  if (!id)
    steps.push((effect) =>
      addMaterial(
        effect,
        newMaterial(own, name, lookOf(wearers[0])),
        wearers.map((o) => o.id),
        slot,
      ),
    );
  steps.push((effect) =>
    changeMaterial(effect, own, {
      ...recipe.look,
      circuit: recipe.circuit(() => newId('node') as NodeId),
    }),
  );
  if (recipe.blend)
    for (const object of wearers)
      if (materialIdOf(object, slot) === id)
        steps.push((effect) => styleFlat(effect, object.id, { blend: recipe.blend! }));
  if (effectStore.edit(together(`Circuit: ${name}`, steps))) useDeskStore().style.material = own;
};
