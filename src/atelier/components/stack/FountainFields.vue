<script setup lang="ts">
/** What a fountain is made of: where particles are born, how they move, how they look over their life. */
import { computed } from 'vue';
import { reshape } from '../../../core/edits/object-edits';
import type { AssetId, Fountain, FountainAreaChoice } from '../../../core/document/schema';
import { samplePoints } from '../../commands/fountain-commands';
import { FOUNTAIN_AREA_WORDS, FOUNTAIN_AREAS } from '../../../core/kinds/objects/fountain';
import { useEffectStore } from '../../stores/effect';
import GestureField from '../common/GestureField.vue';
import PropertyField from '../common/PropertyField.vue';
import FountainLife from './FountainLife.vue';
import SelectField from '../common/SelectField.vue';
import { useMadeOf } from './use-made-of';
import { ref } from 'vue';
import { sentence } from '../../../core/errors';

const props = defineProps<{ object: Fountain }>();
const effectStore = useEffectStore();
const pictures = useMadeOf(() => props.object);
const models = computed(() =>
  Object.values(effectStore.effect.assets)
    .filter((a) => a.kind === 'model')
    .map((a) => ({ value: a.id as string, label: a.name })),
);
const problem = ref<string | null>(null);
const set = (change: Partial<Fountain>, gesture: string | null = null): void => {
  effectStore.edit(
    reshape(effectStore.effect, props.object.id, 'fountain', change),
    gesture && `${gesture}-${props.object.id}`,
  );
};
const areas = FOUNTAIN_AREAS.map((value) => ({ value, label: FOUNTAIN_AREA_WORDS[value] }));
const setArea = (kind: FountainAreaChoice['kind']): void => {
  const fresh: Record<FountainAreaChoice['kind'], FountainAreaChoice> = {
    point: { kind: 'point' },
    disc: { kind: 'disc', radius: 0.03 },
    plane: { kind: 'plane', width: 0.2, depth: 0.2 },
    box: { kind: 'box', size: [0.1, 0.1, 0.1] },
    sphere: { kind: 'sphere', radius: 0.05 },
    mesh: { kind: 'mesh', asset: null, points: '' },
    face: { kind: 'face', part: 'mouth' },
  };
  set({ area: fresh[kind] });
};
const setMesh = async (id: string): Promise<void> => {
  problem.value = null;
  try {
    set({ area: { kind: 'mesh', asset: id as AssetId, points: await samplePoints(id as AssetId) } });
  } catch (error) {
    problem.value = sentence(error);
  }
};
</script>

<template>
  <div class="line">
    <span>Born on</span>
    <SelectField
      name="Where particles are born"
      class="wide"
      :value="object.area.kind"
      :options="areas"
      @change="(v: unknown) => setArea(v as FountainAreaChoice['kind'])"
    />
  </div>
  <div v-if="object.area.kind === 'face'" class="line">
    <span>Part</span>
    <PropertyField class="wide" :object="object" path="area.part" />
  </div>
  <div v-else-if="object.area.kind === 'mesh'" class="line">
    <span>Model</span>
    <SelectField
      name="Model it is born on"
      class="wide"
      :value="(object.area.asset ?? null) as unknown as undefined"
      :options="models"
      placeholder="Choose a model"
      not-found-content="Bring in a model first"
      @change="(v: unknown) => setMesh(String(v))"
    />
    <p v-if="problem" class="wide warn">{{ problem }}</p>
  </div>
  <div v-else-if="object.area.kind === 'disc' || object.area.kind === 'sphere'" class="line">
    <span>Radius</span>
    <PropertyField class="two" :object="object" path="area.radius" />
  </div>
  <div v-else-if="object.area.kind === 'box'" class="line">
    <span>Extent</span>
    <PropertyField v-for="i in 3" :key="i" :object="object" :path="`area.size.${i - 1}`" />
  </div>
  <div v-else-if="object.area.kind === 'plane'" class="line">
    <span>Extent</span>
    <PropertyField :object="object" path="area.width" />
    <PropertyField :object="object" path="area.depth" />
  </div>
  <div class="line">
    <span>Rate</span>
    <PropertyField :object="object" path="rate" />
    <PropertyField class="two" :object="object" path="runs" as="switch" word="from the start" />
  </div>
  <div class="line">
    <span>Life</span>
    <PropertyField :object="object" path="life.0" />
    <PropertyField :object="object" path="life.1" />
    <PropertyField :object="object" path="most" />
  </div>
  <div class="line">
    <span>Speed</span>
    <PropertyField :object="object" path="speed.0" />
    <PropertyField :object="object" path="speed.1" />
    <PropertyField :object="object" path="spread" />
  </div>
  <div class="line">
    <span>Gravity</span>
    <PropertyField :object="object" path="gravity" />
    <span>Drag</span>
    <PropertyField :object="object" path="drag" />
  </div>
  <div class="line">
    <span>Wind</span>
    <PropertyField v-for="i in 3" :key="i" :object="object" :path="`wind.${i - 1}`" />
  </div>
  <div class="line">
    <span>Swirls</span>
    <PropertyField :object="object" path="turbulence" />
    <PropertyField :object="object" path="swirl" />
    <GestureField
      label="Spin, turns a second to either side"
      unit=" ↻"
      :value="object.spin[1]"
      :min="0"
      :max="20"
      :step="0.1"
      @change="(v) => set({ spin: [-v, v] }, 'spin')"
    />
  </div>
  <div class="line">
    <span>Bounces</span>
    <label class="row"
      ><a-switch
        size="small"
        :checked="object.floor !== null"
        aria-label="Bounces off the floor"
        @change="(v: unknown) => set({ floor: v ? 0.5 : null })"
      />floor</label
    >
    <label class="row"
      ><a-switch
        size="small"
        :checked="object.face !== null"
        aria-label="Bounces off the head"
        @change="(v: unknown) => set({ face: v ? 0.4 : null })"
      />head</label
    >
    <PropertyField :object="object" path="seed" />
  </div>
  <div class="line">
    <span>Looks</span>
    <SelectField
      name="Picture of a particle"
      class="wide"
      :value="object.asset ?? ''"
      :options="[{ value: '', label: 'A round dot' }, ...pictures]"
      @change="(v: unknown) => set({ asset: (v || null) as AssetId | null })"
    />
  </div>
  <div class="line">
    <span>Size</span>
    <PropertyField :object="object" path="size" />
    <PropertyField :object="object" path="sizeVaries" />
    <PropertyField
      v-if="effectStore.effect.assets[object.asset as AssetId]?.kind === 'sequence'"
      :object="object"
      path="frames"
    />
  </div>
  <FountainLife :object="object" @change="(over) => set({ over })" />
</template>

<style scoped src="./fields.css"></style>
