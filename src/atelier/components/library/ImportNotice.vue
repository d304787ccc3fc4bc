<script setup lang="ts">
/** What came of the last drop, in short, where the whole report is out of sight: nothing comes in or is refused in silence. */
import { computed } from 'vue';
import { skinChoice } from '../../intake/skin-choice';
import { useDeskStore } from '../../stores/desk';
import { useImportsStore } from '../../stores/imports';
import InlineNotice from '../common/InlineNotice.vue';
import WordButton from '../common/WordButton.vue';

const imports = useImportsStore();
const desk = useDeskStore();
/** More are in the report. */
const MOST_SAID = 3;
const said = computed(() => imports.items.flatMap(({ message }) => (message ? [message] : [])));
const more = computed(() => said.value.length - MOST_SAID);
/** A picture that came alone may lie on the skin in two ways. */
const onSkin = computed(() => {
  const [item, ...others] = imports.items;
  const [asset] = item?.state === 'done' && others.length === 0 ? item.assets : [];
  return asset ? skinChoice(asset) : null;
});
const refused = computed(() => imports.summary.refused > 0);
</script>

<template>
  <InlineNotice
    v-if="imports.items.length > 0 || imports.looking"
    :kind="refused && !imports.busy ? 'error' : 'note'"
    :closable="!imports.busy"
    @close="imports.clear()"
  >
    <template v-if="imports.busy">
      Bringing in {{ imports.items.find((item) => item.state === 'reading')?.name ?? 'what was dropped' }}
      <WordButton @click="imports.cancelAll()">Cancel all</WordButton>
    </template>
    <template v-else>
      <b>{{ imports.words }}</b>
      <WordButton @click="desk.openLibrary()">Report</WordButton>
      <span v-for="line in said.slice(0, MOST_SAID)" :key="line" class="line">{{ line }}</span>
      <span v-if="onSkin" class="line">
        {{ onSkin.is }} <WordButton @click="onSkin.become()">{{ onSkin.other }}</WordButton>
      </span>
      <span v-if="more > 0" class="line soft">and {{ more }} more</span>
    </template>
  </InlineNotice>
</template>

<style scoped>
.line {
  display: block;
}
</style>
