<script setup lang="ts">
/** Repairs of a model: which way is up, size, pivot, triangles, textures. */
import { computed, onMounted, ref } from 'vue';
import { TRIANGLE_BUDGET, TEXTURE_SIDE } from '../../../../core/assets/notes';
import { modelPrepSchema, type ModelAsset, type ModelPrep } from '../../../../core/document/schema';
import { propertiesIn } from '../../../../core/schema/properties';
import { sentence } from '../../../../core/errors';
import type { PreparedDraft } from '../../../../intake/drafts';
import type { ModelPart } from '../../../../core/assets/models/inspect';
import { useAssetsStore } from '../../../stores/assets';
import { usePreparingStore } from '../../../stores/preparing';
import { sizeInWords } from '../../../asset-words';
import NumberField from '../../common/NumberField.vue';
import PropertyInput from '../../common/PropertyInput.vue';
import SelectField from '../../common/SelectField.vue';
import './controls.css';
import { WORN_AS, WORN_WORDS, type WornAs } from '../../../../core/schema/worn-as';
import WordButton from '../../common/WordButton.vue';
import ChipButton from '../../common/ChipButton.vue';

const props = defineProps<{ asset: ModelAsset; after: PreparedDraft | null }>();
const prep = defineModel<ModelPrep>({ required: true });
const set = (change: Partial<ModelPrep>): void => {
  prep.value = { ...prep.value, ...change };
};
const parts = ref<readonly ModelPart[]>([]);
const failure = ref<string | null>(null);
const assets = useAssetsStore();
const preparing = usePreparingStore();
onMounted(async () => {
  try {
    const [original] = await assets.originalsOf(props.asset);
    parts.value = (await preparing.client.inside(original!, props.asset.name)).parts;
  } catch (error) {
    failure.value = sentence(error);
  }
});

/** All ways to be worn are offered. */
const everyWay = ref(false);
/** What it is most like first; then a crown, which closes around the head. */
const wornFirst = computed((): readonly WornAs[] => {
  const { size } = prep.value;
  const first = [props.asset.likely ?? 'crown', ...(size.kind === 'head' ? [size.as] : [])];
  return [...new Set([...first, ...(everyWay.value ? WORN_AS : [])])];
});
const described = computed(() => propertiesIn(modelPrepSchema, prep.value));
const UNITS = [
  { factor: 1, label: 'metres' },
  { factor: 0.01, label: 'cm' },
  { factor: 0.001, label: 'mm' },
  { factor: 0.0254, label: 'inches' },
];
const isUnit = (factor: number): boolean =>
  prep.value.size.kind === 'factor' && prep.value.size.factor === factor;
const setPart = (value: unknown): void => {
  const part = Number(value);
  if (Number.isInteger(part)) set({ pivot: { kind: 'part', part } });
};
const partOptions = computed(() =>
  parts.value.slice(0, 400).map((p) => ({
    value: p.index,
    label: `${'  '.repeat(p.depth)}${p.name}${p.triangles > 0 ? ` (${p.triangles.toLocaleString('en-GB')})` : ''}`,
  })),
);
const facts = computed(() => (props.after?.draft.facts.kind === 'model' ? props.after.draft.facts : null));
const percent = (share: number): string => `${(share * 100).toFixed(share < 0.01 ? 2 : 1)} %`;
</script>

<template>
  <div class="controls">
    <h4>Size</h4>
    <div class="chips">
      <ChipButton
        v-for="as in wornFirst"
        :key="as"
        :aria-pressed="prep.size.kind === 'head' && prep.size.as === as"
        :title="as === asset.likely ? 'Its shape is like that' : undefined"
        @click="set({ size: { kind: 'head', as } })"
      >
        Fit as {{ WORN_WORDS[as] }}
      </ChipButton>
      <WordButton v-if="!everyWay" @click="everyWay = true">Worn otherwise</WordButton>
    </div>
    <div class="chips">
      <ChipButton
        v-for="u in UNITS"
        :key="u.label"
        :aria-pressed="isUnit(u.factor)"
        :title="`The file counts in ${u.label}`"
        @click="set({ size: { kind: 'factor', factor: u.factor } })"
      >
        {{ u.label }}
      </ChipButton>
    </div>
    <div class="line">
      <span>Longest, cm</span>
      <NumberField
        :value="
          (prep.size.kind === 'longest'
            ? prep.size.metres
            : facts
              ? Math.max(...[0, 1, 2].map((k) => facts!.high[k]! - facts!.low[k]!))
              : 0) * 100
        "
        label="Longest side, cm"
        :digits="2"
        :min="0.01"
        @change="(v) => v > 0 && set({ size: { kind: 'longest', metres: v / 100 } })"
      />
    </div>
    <div class="line">
      <span>Up is</span>
      <span class="chips">
        <ChipButton
          v-for="axis in ['y', 'z', 'x'] as const"
          :key="axis"
          :aria-pressed="prep.up === axis"
          :aria-label="`Up is ${axis}`"
          @click="set({ up: axis })"
        >
          {{ axis }}
        </ChipButton>
      </span>
    </div>
    <h4>Pivot</h4>
    <div class="chips">
      <ChipButton :aria-pressed="prep.pivot.kind === 'kept'" @click="set({ pivot: { kind: 'kept' } })">
        As it is
      </ChipButton>
      <ChipButton :aria-pressed="prep.pivot.kind === 'base'" @click="set({ pivot: { kind: 'base' } })">
        Base
      </ChipButton>
      <ChipButton :aria-pressed="prep.pivot.kind === 'centre'" @click="set({ pivot: { kind: 'centre' } })">
        Middle
      </ChipButton>
    </div>
    <div v-if="parts.length > 1" class="line">
      <span>Or a part</span>
      <SelectField
        name="Pivot on a part"
        placeholder="choose"
        :value="prep.pivot.kind === 'part' ? prep.pivot.part : undefined"
        :options="partOptions"
        @change="setPart"
      />
    </div>
    <h4>Weight</h4>
    <div class="line">
      <span>Triangles</span>
      <NumberField
        :value="prep.triangles ?? facts?.triangles ?? asset.triangles"
        label="Most triangles"
        :digits="0"
        :min="12"
        :max="2000000"
        :step="500"
        @change="(v) => set({ triangles: Math.max(12, Math.round(v)) })"
      />
    </div>
    <div class="chips">
      <ChipButton :aria-pressed="prep.triangles === null" @click="set({ triangles: null })"> All </ChipButton>
      <ChipButton
        v-for="n in [TRIANGLE_BUDGET, 5000, 2000]"
        :key="n"
        :aria-pressed="prep.triangles === n"
        @click="set({ triangles: n })"
      >
        {{ n.toLocaleString('en-GB') }}
      </ChipButton>
    </div>
    <p v-if="after?.deviation" class="soft" data-deviation>
      The surface moved by up to {{ percent(after.deviation.most) }} of its size,
      {{ percent(after.deviation.mean) }} on average.
    </p>
    <div class="chips">
      <PropertyInput
        v-for="path in ['weld', 'prune', 'pack'] as const"
        :key="path"
        :property="described[path]!"
        :value="prep[path]"
        @change="(to) => set({ [path]: to })"
      />
    </div>
    <template v-if="asset.textures > 0">
      <div class="line">
        <span>Textures</span>
        <span class="chips">
          <ChipButton :aria-pressed="prep.textures === null" @click="set({ textures: null })">
            As they are
          </ChipButton>
          <ChipButton
            v-for="side in [2048, TEXTURE_SIDE, 512, 256]"
            :key="side"
            :aria-pressed="prep.textures?.longest === side"
            @click="
              set({
                textures: {
                  longest: side,
                  format: prep.textures?.format ?? 'webp',
                  quality: prep.textures?.quality ?? 82,
                },
              })
            "
          >
            {{ side }}
          </ChipButton>
        </span>
      </div>
      <PropertyInput
        v-if="prep.textures"
        as="row"
        :property="described['textures.quality']!"
        :value="prep.textures.quality"
        @change="(quality) => set({ textures: { ...prep.textures!, quality: quality as number } })"
      />
    </template>
    <dl v-if="facts">
      <dt>Size</dt>
      <dd>{{ sizeInWords(facts) }}</dd>
      <dt>Triangles</dt>
      <dd>{{ facts.triangles.toLocaleString('en-GB') }}</dd>
      <template v-if="facts.textures > 0">
        <dt>Textures</dt>
        <dd>{{ facts.textures }}, up to {{ facts.texturePixels }} pixels</dd>
      </template>
    </dl>
    <p v-if="failure" class="bad">{{ failure }}</p>
  </div>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 82px 1fr;
  gap: 2px 8px;
  margin: 4px 0 0;
  padding-top: 8px;
  border-top: 1px solid var(--line2);
  font-size: 12px;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
}
</style>
