<script setup lang="ts">
/** Which takes are on the wall: a ready set, one of one's own, or either of them changed. */
import { computed, onMounted, ref } from 'vue';
import { MOST_TILES, WALL_SETS } from '../../../../../core/takes/library/wall-sets';
import { useTakesStore } from '../../../../stores/takes';
import { useWallStore } from '../../../../stores/wall';
import { MOST_NAME } from '../../../../takes/kept-walls';
import InlineNotice from '../../../common/InlineNotice.vue';
import SelectField from '../../../common/SelectField.vue';
import TextField from '../../../common/TextField.vue';
import WordButton from '../../../common/WordButton.vue';

const wall = useWallStore();
const takes = useTakesStore();
onMounted(() => {
  if (!takes.loaded) void takes.load();
});
const named = ({ id, name }: { readonly id: string; readonly name: string }) => ({ value: id, label: name });
const sets = computed(() => [
  ...(wall.own.length > 0 ? [{ label: 'Yours', options: wall.own.map(named) }] : []),
  { label: 'Ready', options: WALL_SETS.map(named) },
]);
const others = computed(() =>
  takes.all.filter(({ id }) => !wall.takes.some((take) => take.id === id)).map(named),
);
const about = computed(() =>
  'about' in wall.set ? `To see ${wall.set.about}.` : 'Your own set, kept in this browser.',
);
const name = ref('');
const isNaming = ref(false);
const beginNaming = (): void => {
  name.value = wall.isOwn ? wall.set.name : '';
  isNaming.value = true;
};
const isThere = computed(() => wall.own.some((one) => one.name === name.value.trim()));
const keep = (): void => {
  wall.keep(name.value);
  if (!wall.changed) isNaming.value = false;
};
</script>

<template>
  <div class="chooser">
    <div class="row">
      <SelectField
        class="grow"
        name="Takes on the wall"
        :value="wall.chosen"
        :options="sets"
        @change="(id: unknown) => wall.choose(String(id))"
      />
      <SelectField
        class="grow"
        name="Add a take to the wall"
        placeholder="Add a take"
        show-search
        option-filter-prop="label"
        :value="null"
        :disabled="wall.takes.length >= MOST_TILES"
        :options="others"
        @change="(id: unknown) => wall.add(String(id))"
      />
    </div>
    <p class="soft said">
      <span
        ><template v-if="wall.changed">{{ wall.set.name }}, changed. </template
        ><template v-else>{{ about }}</template></span
      >
      <template v-if="!isNaming">
        <WordButton v-if="wall.changed || !wall.isOwn" @click="beginNaming"
          >Keep as a set of yours</WordButton
        >
        <WordButton v-if="wall.changed" @click="wall.choose(wall.chosen)">Take the changes back</WordButton>
        <WordButton v-if="wall.isOwn && !wall.changed" @click="wall.deleteSet()">Delete this set</WordButton>
      </template>
    </p>
    <div v-if="isNaming" class="row">
      <TextField
        class="grow"
        label="Name of the set"
        placeholder="Name of the set"
        live
        chosen
        :most="MOST_NAME"
        :value="name"
        @change="(to: string) => (name = to)"
      />
      <a-button type="primary" size="small" :disabled="name.trim() === ''" @click="keep">{{
        isThere ? 'Write over it' : 'Keep'
      }}</a-button>
      <WordButton @click="isNaming = false">Cancel</WordButton>
    </div>
    <InlineNotice v-if="wall.trouble" closable @close="wall.trouble = null">{{ wall.trouble }}</InlineNotice>
    <InlineNotice v-if="wall.gone > 0" kind="note">{{
      wall.gone === 1
        ? 'A take of this set is not there any more; the others are shown.'
        : `${wall.gone} takes of this set are not there any more; the others are shown.`
    }}</InlineNotice>
  </div>
</template>

<style scoped>
.chooser {
  display: grid;
  gap: 6px;
}
.row > .grow {
  min-width: 0;
}
.said {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  margin: 0;
}
</style>
