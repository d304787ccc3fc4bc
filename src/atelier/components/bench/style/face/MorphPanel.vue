<script setup lang="ts">
/** The shape of a face: by sliders, by a sculpted mesh, all over or in parts of it. */
import { computed, onBeforeUnmount, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { Download, Plus, Shapes, Upload, X, Zap } from '@lucide/vue';
import { hasShape } from '../../../../../core/edits/morph-edits';
import { reshape } from '../../../../../core/edits/object-edits';
import type { AssetId, FaceChoice, Morph, ObjectId } from '../../../../../core/document/schema';
import { FACE_REGIONS, type FaceRegion } from '../../../../../core/face/region-names';
import type { ShapeName } from '../../../../../core/face/shape-names';
import { sentence } from '../../../../../core/errors';
import { Cancelled } from '../../../../../intake/intake-client';
import {
  addCueToShape,
  addMorph,
  giveFaceToSculpt,
  keepShapeOf,
  morphsOn,
  sculptBy,
  sculptByFile,
  takeMeshOff,
} from '../../../../commands/morph-commands';
import { REGION_WORDS } from '../../../../face-words';
import { MORPH_GROUPS } from '../../../../morph-words';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import InlineNotice from '../../../common/InlineNotice.vue';
import PropertyField from '../../../common/PropertyField.vue';
import SliderField from '../../../common/SliderField.vue';
import SelectField from '../../../common/SelectField.vue';
import ChipButton from '../../../common/ChipButton.vue';
import WordButton from '../../../common/WordButton.vue';

const props = defineProps<{ morph: Morph; face: FaceChoice }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
type Change = Parameters<typeof reshape<'morph'>>[3];
const set = (change: Change, gesture: string | null = null): void => {
  effectStore.edit(
    reshape(effectStore.effect, props.morph.id, 'morph', change, 'Reshape'),
    gesture && `${props.morph.id} ${gesture}`,
  );
};
const done = (): void => effectStore.endGesture();
const setSlider = (name: ShapeName, percent: number): void => {
  const { [name]: _was, ...rest } = props.morph.sliders;
  set({ sliders: percent === 0 ? rest : { ...rest, [name]: percent / 100 } }, name);
};
const all = computed(() => morphsOn(props.face));
const router = useRouter();
const route = useRoute();
const cueTo = (id: ObjectId): void => {
  if (addCueToShape(id)) void router.push({ name: 'atelier', params: { ...route.params, stage: 'behave' } });
};
const moved = computed(() => Object.keys(props.morph.sliders).length > 0);

/** Meshes to choose from. */
const models = computed(() =>
  Object.values(effectStore.effect.assets)
    .filter((a) => a.kind === 'model')
    .map((a) => ({ value: a.id as string, label: a.name })),
);
const mesh = computed(() => props.morph.mesh);
const meshAsset = computed(() => (mesh.value ? effectStore.effect.assets[mesh.value.asset] : undefined));
/** The model was changed after it was measured. */
const changed = computed(() => meshAsset.value && meshAsset.value.files[0]?.sha256 !== mesh.value?.file);
const measuring = ref<{ name: string; abort: AbortController } | null>(null);
const trouble = ref<string | null>(null);
const measure = async (name: string, by: (signal: AbortSignal) => Promise<void>): Promise<void> => {
  measuring.value?.abort.abort();
  trouble.value = null;
  const abort = new AbortController();
  measuring.value = { name, abort };
  try {
    await by(abort.signal);
  } catch (error) {
    if (!(error instanceof Cancelled)) trouble.value = sentence(error);
  } finally {
    if (measuring.value?.abort === abort) measuring.value = null;
  }
};
const choose = (id: AssetId): Promise<void> =>
  measure(effectStore.effect.assets[id]?.name ?? 'the mesh', (signal) =>
    sculptBy(props.morph.id, id, signal),
  );
const input = ref<HTMLInputElement | null>(null);
const bring = async (): Promise<void> => {
  const file = input.value?.files?.[0];
  if (file) await measure(file.name, (signal) => sculptByFile(props.morph.id, file, signal));
  if (input.value) input.value.value = '';
};
watch(
  () => props.morph.id,
  () => {
    trouble.value = null;
    measuring.value?.abort.abort();
  },
);
onBeforeUnmount(() => measuring.value?.abort.abort());

const regions = FACE_REGIONS.filter((r) => r !== 'face' && r !== 'teeth').map((value) => ({
  value,
  label: REGION_WORDS[value],
}));
const percent = (share: number): string => `${(100 * share).toFixed(share < 0.01 ? 2 : 1)} %`;
</script>

<template>
  <section aria-label="Shape of the face">
    <div class="head">
      <h2>Shape of the face</h2>
      <span class="grow" />
      <ChipButton
        :disabled="!hasShape(morph)"
        title="Keeps what the sliders and the mesh make as a shape of its own, to be mixed with others; the sliders begin again at 0"
        @click="keepShapeOf(morph.id)"
      >
        <Shapes :size="13" /> Keep this shape
      </ChipButton>
      <ChipButton title="Morphs add up" @click="addMorph(face)"> <Plus :size="13" /> Another </ChipButton>
      <ChipButton @click="desk.selected = null"><X :size="13" /> Close</ChipButton>
    </div>
    <PropertyField v-if="all.length < 2" as="row" :object="morph" path="amount" does="Reshape" />
    <section v-else aria-label="Shapes" class="shapes">
      <template v-for="one in all" :key="one.id">
        <ChipButton :aria-pressed="one.id === morph.id" :title="one.name" @click="desk.selected = one.id">
          <span class="cut">{{ one.name }}</span>
        </ChipButton>
        <PropertyField
          as="row"
          :object="one"
          path="amount"
          :label="`Strength of ${one.name}`"
          does="Reshape"
        />
        <ChipButton
          :aria-label="`A cue that goes to ${one.name}`"
          title="Adds a cue that goes to this shape, and out of the others"
          @click="cueTo(one.id)"
        >
          <Zap :size="13" /> Cue
        </ChipButton>
      </template>
    </section>
    <div class="columns">
      <section v-for="group in MORPH_GROUPS" :key="group.label" :aria-label="group.label">
        <h3>{{ group.label }}</h3>
        <SliderField
          v-for="{ name, label } in group.sliders"
          :key="name"
          :name="label"
          :label="`${group.label}: ${label}`"
          :value="Math.round((morph.sliders[name] ?? 0) * 100)"
          :min="-100"
          :max="100"
          @change="(v) => setSlider(name, v)"
          @done="done"
        />
      </section>
      <section aria-label="Sculpted mesh">
        <h3>Sculpted mesh</h3>
        <div class="line">
          <SelectField
            name="Sculpted mesh"
            class="grow"
            placeholder="None: sliders alone"
            :value="(meshAsset?.id ?? null) as unknown as undefined"
            :options="models"
            :disabled="measuring !== null"
            not-found-content="No model in this effect yet: bring one in."
            @change="(v: unknown) => choose(v as AssetId)"
          />
          <ChipButton v-if="mesh" @click="takeMeshOff(morph.id)">Take off</ChipButton>
        </div>
        <p v-if="measuring" class="soft" role="status">
          Laying {{ measuring.name }} onto the face…
          <WordButton @click="measuring.abort.abort()">Cancel</WordButton>
        </p>
        <p v-else-if="mesh" class="soft" role="status">
          {{ meshAsset ? '' : 'The model is gone; its shape is kept. ' }}Fits to {{ percent(mesh.error) }} of
          the face’s width,
          {{ mesh.by === 'layout' ? 'point by point, by its face layout.' : 'by its surface.' }}
        </p>
        <InlineNotice v-if="trouble" closable @close="trouble = null">{{ trouble }}</InlineNotice>
        <InlineNotice v-if="changed && !measuring" kind="warning">
          {{ meshAsset!.name }} has changed since it was measured.
          <WordButton @click="choose(meshAsset!.id)">Measure it again</WordButton>
        </InlineNotice>
        <div class="line">
          <ChipButton :disabled="measuring !== null" @click="input?.click()">
            <Upload :size="13" /> Bring in a mesh
          </ChipButton>
          <ChipButton @click="giveFaceToSculpt"> <Download :size="13" /> A face to sculpt </ChipButton>
          <input
            ref="input"
            type="file"
            hidden
            accept=".glb,.gltf,.obj,.stl,.fbx"
            aria-label="Sculpted mesh to bring in"
            @change="bring"
          />
        </div>
      </section>
      <section aria-label="Where it counts">
        <h3>Where it counts</h3>
        <SelectField
          name="Regions the morph counts in"
          class="wide"
          mode="multiple"
          option-filter-prop="label"
          placeholder="All over the face"
          :value="morph.regions"
          :options="regions"
          @change="(v: unknown) => set({ regions: v as FaceRegion[] })"
        />
        <PropertyField v-if="morph.regions.length > 0" as="row" :object="morph" path="fade" does="Reshape" />
      </section>
    </div>
    <PropertyField as="row" :object="morph" path="relief" does="Reshape" />
    <WordButton v-if="moved" @click="set({ sliders: {} })"> Set all sliders to 0 </WordButton>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  gap: 6px;
  align-items: center;
  margin-bottom: 6px;
}
h2,
h3 {
  margin: 0;
}
h3 {
  margin: 8px 0 2px;
  font-size: 12px;
  font-weight: 600;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 0 20px;
}
.line {
  display: flex;
  gap: 6px;
  margin-bottom: 4px;
}
.wide {
  width: 100%;
}
.shapes {
  display: grid;
  grid-template-columns: minmax(90px, 160px) 1fr auto;
  gap: 2px 10px;
  align-items: center;
}
.shapes .cut {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
section section :deep(.slider-field) {
  --label: 74px;
  gap: 6px;
}
p {
  margin: 4px 0;
}
.chip {
  display: inline-flex;
  gap: 5px;
  align-items: center;
}
</style>
