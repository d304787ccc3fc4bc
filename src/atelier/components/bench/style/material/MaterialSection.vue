<script setup lang="ts">
/** What the selected object is made of: chosen, made, shared, filled with pictures. */
import { computed, ref } from 'vue';
import { Plus, Sparkles, Trash2 } from '@lucide/vue';
import { changeMaterial, makeMaterialsOwn, removeMaterial } from '../../../../../core/edits/material-edits';
import { ALL_SLOTS, materialOrder } from '../../../../../core/document/material-queries';
import type { MaterialId } from '../../../../../core/document/schema';
import { newId } from '../../../../api/ids';
import {
  addNewMaterial,
  addStockMaterial,
  selectedWearers,
  wearOnSelected,
} from '../../../../commands/material-commands';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import MaterialBalls from './MaterialBalls.vue';
import MaterialNumbers from './MaterialNumbers.vue';
import MaterialPictures from './MaterialPictures.vue';
import MaterialProblems from './MaterialProblems.vue';
import StockChooser from './StockChooser.vue';
import SelectField from '../../../common/SelectField.vue';
import { useMaterial } from './use-material';
import TextField from '../../../common/TextField.vue';
import ChipButton from '../../../common/ChipButton.vue';
import IconButton from '../../../common/IconButton.vue';
import WordButton from '../../../common/WordButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const { selected, object, slots, slot, material, wearers, shared } = useMaterial();
const stock = ref(false);
const all = computed(() => materialOrder(effectStore.effect));
const OWN = '';
const options = computed(() => [
  ...(object.value ? [{ value: OWN, label: 'Its own look' }] : []),
  ...all.value.map((m) => ({ value: m.id as string, label: m.name })),
]);
const choose = (to: string): void => {
  const id = to === OWN ? null : (to as MaterialId);
  if (object.value) wearOnSelected(id, slot.value);
  else desk.style.material = id;
};
const rename = (text: string): void => {
  const name = text.trim();
  if (material.value && name)
    effectStore.edit(changeMaterial(effectStore.effect, material.value.id, { name }));
};
const makeOwn = (): void => {
  effectStore.edit(
    makeMaterialsOwn(
      effectStore.effect,
      selectedWearers().map((o) => o.id),
      newId,
    ),
  );
};
const remove = (): void => {
  if (material.value) effectStore.edit(removeMaterial(effectStore.effect, material.value.id));
};
const openCircuit = (): void => {
  desk.style.section = 'circuit';
};
</script>

<template>
  <section aria-label="Material">
    <template v-if="object || all.length > 0">
      <div v-if="slots.length > 1" class="chips" role="group" aria-label="Which part of the model">
        <ChipButton :aria-pressed="slot === ALL_SLOTS" @click="desk.style.slot = ALL_SLOTS">
          All of it
        </ChipButton>
        <ChipButton
          v-for="one in slots"
          :key="one.slot"
          :aria-pressed="slot === one.slot"
          @click="desk.style.slot = one.slot"
        >
          {{ one.name }}
        </ChipButton>
      </div>
      <div class="head">
        <span class="soft">{{ object ? `${object.name} is made of` : 'Materials of this effect' }}</span>
        <SelectField
          name="Material"
          :value="material?.id ?? (object ? OWN : undefined)"
          :options="options"
          placeholder="Choose one"
          @change="(v: unknown) => choose(String(v))"
        />
        <ChipButton @click="addNewMaterial(slot)"><Plus :size="13" /> New</ChipButton>
        <ChipButton :aria-pressed="stock" @click="stock = !stock">Ready ones</ChipButton>
      </div>
      <StockChooser
        v-if="stock"
        @choose="
          (one) => {
            addStockMaterial(one, slot);
            stock = false;
          }
        "
      />
    </template>
    <template v-if="material">
      <div class="row who">
        <TextField
          class="name"
          label="Name of the material"
          :value="material.name"
          :most="80"
          @change="rename"
        />
        <span class="soft">{{
          wearers.length === 1 ? 'worn by one object' : `worn by ${wearers.length} objects`
        }}</span>
        <WordButton v-if="shared" @click="makeOwn">Make its own</WordButton>
        <span class="grow" />
        <IconButton aria-label="Delete the material" @click="remove">
          <Trash2 :size="14" />
        </IconButton>
      </div>
      <MaterialBalls :material="material" />
      <MaterialProblems :material="material" />
      <p class="circuit">
        <WordButton @click="openCircuit">
          <Sparkles :size="13" />
          {{ material.circuit ? 'Open its circuit' : 'Let a circuit make its look' }}
        </WordButton>
        <span v-if="material.circuit" class="soft">What its wires reach goes before the values below.</span>
      </p>
      <MaterialNumbers :material="material" />
    </template>
    <template v-else-if="object">
      <p class="soft">
        {{ object.name }} has its own look. Take a ready material, make a new one, or drop a set of pictures
        and one is made of them.
      </p>
    </template>
    <p v-else-if="selected" class="soft">
      {{ selected.name }} wears no material: models, solids, cards and colour fields do.
    </p>
    <div v-else-if="all.length === 0" class="empty">
      <h2>What things are made of</h2>
      <p class="soft">
        Select a model, a solid, a card or a colour field. It can be brass, sea glass, velvet; wear pictures
        of your own; or look as a circuit of nodes says. One material can be worn by many.
      </p>
    </div>
    <template v-if="material || object">
      <h2 v-if="material">Pictures</h2>
      <!-- One and the same before and after a set has made a material: it says what came of it. -->
      <MaterialPictures :material="material" />
    </template>
  </section>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: auto minmax(120px, 1fr) auto auto;
  gap: 8px;
  align-items: center;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  margin-bottom: 8px;
}
.chip,
.word {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
.who {
  gap: 8px;
  margin: 10px 0 6px;
}
.ant-input.name {
  width: 170px;
  background: none;
  font-weight: 600;
}
.circuit {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 6px 0;
}
h2 {
  margin-top: 16px;
}
</style>
