<script setup lang="ts">
/** Renames several assets at once, with what comes of it beside. */
import { computed, reactive } from 'vue';
import { renameAssets } from '../../../core/edits/asset-edits';
import { NO_CHANGE, renamePlan } from '../../../core/assets/names';
import type { Asset } from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import SelectField from '../common/SelectField.vue';

const props = defineProps<{ assets: readonly Asset[] }>();
const emit = defineEmits<{ done: [] }>();
const effectStore = useEffectStore();
const plan = reactive({ ...NO_CHANGE });
const LETTERS = [
  { value: 'kept', label: 'as they are' },
  { value: 'lower', label: 'lower case' },
  { value: 'upper', label: 'UPPER CASE' },
  { value: 'title', label: 'Each Word' },
];
const others = computed(() => {
  const own = new Set(props.assets.map((a) => a.id));
  return new Set(
    Object.values(effectStore.effect.assets)
      .filter((a) => !own.has(a.id))
      .map((a) => a.name),
  );
});
const names = computed(() => renamePlan(props.assets, plan, others.value));
const apply = (): void => {
  effectStore.edit(renameAssets(names.value));
  emit('done');
};
</script>

<template>
  <section class="panel" aria-label="Rename several assets" @keydown.escape.stop="emit('done')">
    <div class="fields">
      <label class="field"
        ><span>Find</span
        ><a-input v-model:value="plan.find" size="small" aria-label="Find in names" placeholder="kelp"
      /></label>
      <label class="field"
        ><span>Replace by</span><a-input v-model:value="plan.replace" size="small" aria-label="Replace by"
      /></label>
      <label class="field"
        ><span>Letters</span><SelectField v-model:value="plan.letters" name="Letters" :options="LETTERS"
      /></label>
      <label class="field"
        ><span>Before</span
        ><a-input v-model:value="plan.prefix" size="small" aria-label="Put before" placeholder="crown_"
      /></label>
      <label class="field"
        ><span>After</span><a-input v-model:value="plan.suffix" size="small" aria-label="Put after"
      /></label>
      <a-checkbox v-model:checked="plan.numbered">Number them</a-checkbox>
    </div>
    <table aria-label="What the names become">
      <tbody>
        <tr v-for="asset in assets" :key="asset.id" :class="{ same: !names.has(asset.id) }">
          <td class="cut">{{ asset.name }}</td>
          <td aria-hidden="true">→</td>
          <td class="cut">{{ names.get(asset.id) ?? asset.name }}</td>
        </tr>
      </tbody>
    </table>
    <div class="row">
      <a-button type="primary" size="small" :disabled="names.size === 0" @click="apply">
        {{ names.size === 0 ? 'Nothing changes' : names.size === 1 ? 'Rename one' : `Rename ${names.size}` }}
      </a-button>
      <a-button size="small" @click="emit('done')">Cancel</a-button>
    </div>
  </section>
</template>

<style scoped>
.panel {
  display: grid;
  gap: 14px;
  padding: 14px 16px;
  align-content: start;
  overflow: auto;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 8px 14px;
  align-items: end;
}
.field {
  display: grid;
  gap: 3px;
  color: var(--soft);
}
table {
  width: 100%;
  table-layout: fixed;
  border-collapse: collapse;
}
td {
  padding: 4px 6px;
  border-bottom: 1px solid var(--line2);
}
td:nth-child(2) {
  width: 28px;
  text-align: center;
  color: var(--faint);
}
td:last-child {
  font-weight: 600;
}
.same td {
  color: var(--faint);
  font-weight: 400;
}
</style>
