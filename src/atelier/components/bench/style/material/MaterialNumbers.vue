<script setup lang="ts">
/** What a material is like, by numbers and colours. */
import { computed } from 'vue';
import {
  ALPHA_WORDS,
  materialSchema,
  SHADING_WORDS,
  type Material,
} from '../../../../../core/document/schema';
import { keysOf, propertiesIn } from '../../../../../core/schema/properties';
import PropertyInput from '../../../common/PropertyInput.vue';
import { useMaterial } from './use-material';
import ChipButton from '../../../common/ChipButton.vue';

const props = defineProps<{ material: Material }>();
const { set, done } = useMaterial();
const described = computed(() => propertiesIn(materialSchema, props.material));
const lit = ({ shading }: Material): boolean => shading !== 'unlit';
const glassy = (m: Material): boolean => lit(m) && m.transmission > 0;
/** In their order, and when each does anything; without, always. */
const ROWS: readonly (readonly [path: keyof Material, when?: (material: Material) => boolean])[] = [
  ['roughness', lit],
  ['metalness', lit],
  ['normalStrength', (m) => lit(m) && m.maps.normal !== null],
  ['normalDown', (m) => lit(m) && m.maps.normal !== null],
  ['occlusionStrength', (m) => lit(m) && m.maps.occlusion !== null],
  ['glow'],
  ['glowStrength', (m) => m.glow !== '#000000'],
  ['clearcoat', lit],
  ['clearcoatRoughness', (m) => lit(m) && m.clearcoat > 0],
  ['sheen', lit],
  ['sheenRoughness', (m) => lit(m) && m.sheen !== '#000000'],
  ['transmission', lit],
  ['ior', glassy],
  ['thickness', glassy],
];
const rows = computed(() => ROWS.filter(([, when]) => when?.(props.material) ?? true).map(([path]) => path));
const put = (path: string, to: unknown, felt: boolean): void => set({ [path]: to }, felt ? path : null);
/** What is not wholly there lets through. */
const setOpacity = (opacity: number): void =>
  set(
    {
      opacity,
      ...(opacity < 1 && props.material.alpha === 'opaque' ? { alpha: 'blend' as const } : {}),
    },
    'opacity',
  );
</script>

<template>
  <section aria-label="Look of the material">
    <div class="field">
      <span class="soft">Lit</span>
      <div class="chips" role="group" aria-label="What lights it">
        <ChipButton
          v-for="one in keysOf(SHADING_WORDS)"
          :key="one"
          :aria-pressed="material.shading === one"
          @click="set({ shading: one })"
        >
          {{ SHADING_WORDS[one] }}
        </ChipButton>
      </div>
    </div>
    <PropertyInput
      as="row"
      :property="described['colour']!"
      :value="material.colour"
      @change="(colour, felt) => put('colour', colour, felt)"
      @done="done"
    />
    <PropertyInput
      as="row"
      :property="described['opacity']!"
      :value="material.alpha === 'opaque' ? 1 : material.opacity"
      @change="(opacity) => setOpacity(opacity as number)"
      @done="done"
    />
    <div class="field">
      <span class="soft">Clear parts</span>
      <div class="chips" role="group" aria-label="What transparency does">
        <ChipButton
          v-for="one in keysOf(ALPHA_WORDS)"
          :key="one"
          :aria-pressed="material.alpha === one"
          @click="set({ alpha: one })"
        >
          {{ ALPHA_WORDS[one] }}
        </ChipButton>
        <ChipButton :aria-pressed="material.doubleSided" @click="set({ doubleSided: !material.doubleSided })">
          Both sides
        </ChipButton>
      </div>
    </div>
    <PropertyInput
      v-for="path in material.alpha === 'cutoff' ? (['cutoff', ...rows] as const) : rows"
      :key="path"
      as="row"
      :property="described[path]!"
      :value="material[path]"
      @change="(to, felt) => put(path, to, felt)"
      @done="done"
    />
  </section>
</template>

<style scoped>
section {
  --label: 102px;
}
.field {
  display: grid;
  grid-template-columns: 102px 1fr;
  gap: 10px;
  align-items: center;
  min-height: 30px;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
</style>
