<script setup lang="ts">
/** Whole looks: put on, kept, renamed, mixed by a slider. */
import { computed, ref } from 'vue';
import { Bookmark, Trash2 } from '@lucide/vue';
import { changeLook, layersOn, removeLook } from '../../../../../core/edits/look-edits';
import type { FaceChoice, LookId } from '../../../../../core/document/schema';
import { keepLook, lookChoices, wear, wearMix } from '../../../../commands/face-commands';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import SliderField from '../../../common/SliderField.vue';
import SelectField from '../../../common/SelectField.vue';
import TextField from '../../../common/TextField.vue';
import ChipButton from '../../../common/ChipButton.vue';
import IconButton from '../../../common/IconButton.vue';
import WordButton from '../../../common/WordButton.vue';

const props = defineProps<{ face: FaceChoice }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const looks = computed(lookChoices);
const hasLayers = computed(() => layersOn(effectStore.effect, props.face).length > 0);
const { mix } = desk.style;
const find = (id: string) => looks.value.find((l) => l.id === id);
const first = computed(() => find(mix.first) ?? looks.value[0]!);
const second = computed(() => find(mix.second) ?? looks.value.find((l) => l.id !== first.value.id)!);
const options = computed(() => looks.value.map((l) => ({ value: l.id, label: l.name })));
const renaming = ref<string | null>(null);
const keep = (): void => {
  const id = keepLook(props.face);
  if (id) renaming.value = id;
};
const rename = (id: string, name: string): void => {
  if (name.trim()) effectStore.edit(changeLook(effectStore.effect, id as LookId, name));
};
const mixed = (percent: number): void => {
  mix.share = percent / 100;
  wearMix(first.value, second.value, mix.share, props.face);
};
</script>

<template>
  <section aria-label="Looks">
    <h2>Looks</h2>
    <ul class="looks">
      <li v-for="look in looks" :key="look.id">
        <TextField
          v-if="renaming === look.id"
          class="name"
          chosen
          :value="look.name"
          :label="`Name of ${look.name}`"
          :most="80"
          @change="(text) => rename(look.id, text)"
          @done="renaming = null"
        />
        <ChipButton v-else :title="look.about" @click="wear(look, face)">
          {{ look.name }}
        </ChipButton>
        <template v-if="look.own && renaming !== look.id">
          <WordButton :aria-label="`Rename ${look.name}`" @click="renaming = look.id"> Rename </WordButton>
          <IconButton
            :aria-label="`Delete the look ${look.name}`"
            @click="effectStore.edit(removeLook(effectStore.effect, look.id as LookId))"
          >
            <Trash2 :size="13" />
          </IconButton>
        </template>
      </li>
    </ul>
    <p class="soft">
      A look takes the place of the layers on this face; one undo brings them back.
      <WordButton :disabled="!hasLayers" @click="keep">
        <Bookmark :size="12" /> Keep what is on the face
      </WordButton>
    </p>
    <h2>Between two looks</h2>
    <div class="pair">
      <SelectField
        name="First look"
        :value="first.id"
        :options="options"
        @change="(v: unknown) => (mix.first = String(v))"
      />
      <SelectField
        name="Second look"
        :value="second.id"
        :options="options"
        @change="(v: unknown) => (mix.second = String(v))"
      />
    </div>
    <SliderField
      name="Second look"
      label="Share of the second look"
      unit="%"
      :value="mix.share * 100"
      :min="0"
      :max="100"
      @change="mixed"
      @done="effectStore.endGesture()"
    />
  </section>
</template>

<style scoped>
h2 {
  margin: 14px 0 5px;
}
.looks {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.looks li {
  display: inline-flex;
  align-items: center;
}
.ant-input.name {
  width: 130px;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin-bottom: 2px;
}
</style>
