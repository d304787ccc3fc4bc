<script setup lang="ts">
/** A cutout: which part of whose face, its soft edge, and its outline where it is drawn by hand. */
import { computed } from 'vue';
import { X } from '@lucide/vue';
import { changeCutout, layCutoutOn, thingsUnder, thingUnder } from '../../../../../core/edits/cutout-edits';
import { FIRST_OUTLINE } from '../../../../../core/kinds/objects/cutout';
import { anchorOf } from '../../../../../core/document/queries';
import { MOST_FACES, type Cutout, type ObjectId } from '../../../../../core/document/schema';
import { CUTOUT_PARTS, type CutoutPart } from '../../../../../core/face/cutout-parts';
import type { Spot } from '../../../../../core/face/skin-spot';
import { CUTOUT_WORDS } from '../../../../morph-words';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { propertiesOf } from '../../../../../core/kinds/objects/objects';
import PropertyField from '../../../common/PropertyField.vue';
import PropertyInput from '../../../common/PropertyInput.vue';
import OutlineDrawer from './OutlineDrawer.vue';
import SelectField from '../../../common/SelectField.vue';
import ChipButton from '../../../common/ChipButton.vue';

const props = defineProps<{ cutout: Cutout }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
type Change = Parameters<typeof changeCutout>[2];
const set = (change: Change, gesture: string | null = null): void => {
  effectStore.edit(
    changeCutout(effectStore.effect, props.cutout.id, change),
    gesture && `${props.cutout.id} ${gesture}`,
  );
};
const done = (): void => effectStore.endGesture();
const plain = (outline: readonly Spot[]): [number, number][] => outline.map(([u, v]) => [u, v]);
const setPart = (part: CutoutPart): void => {
  const first = part === 'drawn' && props.cutout.outline.length < 3;
  set(first ? { part, outline: plain(FIRST_OUTLINE) } : { part });
};
const setOutline = (outline: readonly Spot[], gesture: string | null): void =>
  set({ outline: plain(outline) }, gesture);
/** The card or the model that it moves with. */
const under = computed(() => thingUnder(effectStore.effect, props.cutout));
const things = computed(() =>
  thingsUnder(effectStore.effect, props.cutout).map((o) => ({ value: o.id as string, label: o.name })),
);
const layOn = (thing: string | null): void =>
  void effectStore.edit(layCutoutOn(effectStore.effect, props.cutout.id, thing as ObjectId | null));
const parts = CUTOUT_PARTS.map((value) => ({ value, label: CUTOUT_WORDS[value] }));
const elsewhere = computed(() => !('face' in anchorOf(effectStore.effect, props.cutout)));
const faces = Array.from({ length: MOST_FACES }, (_, i) => ({ value: i + 1, label: `Face ${i + 1}` }));
</script>

<template>
  <section aria-label="Cutout">
    <div class="head">
      <h2>{{ cutout.name }}</h2>
      <span class="grow" />
      <ChipButton @click="desk.selected = null"><X :size="13" /> Close</ChipButton>
    </div>
    <p class="soft">
      A live part of the face. It begins where it is on the face, so it is seen once it is moved, grows, or
      lies over a picture. Laid on a card or a model it moves and turns with that.
    </p>
    <div class="columns">
      <div class="fields">
        <label class="line">
          <span>Part</span>
          <SelectField
            name="Part of the face"
            :value="cutout.part"
            :options="parts"
            @change="(v: unknown) => setPart(v as CutoutPart)"
          />
        </label>
        <label v-if="under || things.length > 0" class="line">
          <span>Lies on</span>
          <SelectField
            name="What the cutout lies on"
            :value="under?.id ?? ''"
            :options="[{ value: '', label: 'The face itself' }, ...things]"
            @change="(v: unknown) => layOn((v as string) || null)"
          />
        </label>
        <label v-if="elsewhere" class="line">
          <span>Whose</span>
          <SelectField
            name="Whose face it is cut from"
            :value="cutout.face"
            :options="faces"
            @change="(v: unknown) => set({ face: Number(v) })"
          />
        </label>
        <PropertyInput
          v-for="path in ['inner', 'outer'] as const"
          :key="path"
          as="row"
          :property="propertiesOf(cutout)[path]!"
          :value="cutout[path]"
          @change="(to) => set({ [path]: to }, path)"
          @done="done"
        />
        <div class="chips">
          <PropertyField :object="cutout" path="made" />
          <PropertyField :object="cutout" path="flip" />
        </div>
      </div>
      <OutlineDrawer
        v-if="cutout.part === 'drawn'"
        :outline="cutout.outline"
        @change="setOutline"
        @done="done"
      />
    </div>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  gap: 8px;
  align-items: center;
}
h2 {
  margin: 0;
}
p {
  margin: 2px 0 8px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(240px, 1fr) minmax(240px, 1fr);
  gap: 22px;
}
.fields {
  display: grid;
  gap: 4px;
  align-content: start;
}
.line {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 10px;
  align-items: center;
  min-height: 28px;
  color: var(--soft);
}
.chips {
  display: flex;
  gap: 6px;
  margin-top: 4px;
}
.chip {
  display: inline-flex;
  gap: 5px;
  align-items: center;
}
</style>
