<script setup lang="ts">
/** A new try link: what it is called, how long it lasts, for whom. */
import { ref } from 'vue';
import { usePhonesStore, type NewLink } from '../../../../stores/phones';
import SelectField from '../../../common/SelectField.vue';

const phones = usePhonesStore();
const name = ref('My phone');
const minutes = ref<NewLink['minutes']>(1440);
const oneDevice = ref(false);
const busy = ref(false);
const LASTS = [
  { value: 60, label: 'an hour' },
  { value: 1440, label: 'a day' },
  { value: 10_080, label: 'a week' },
  { value: 43_200, label: 'a month' },
];
const make = async (): Promise<void> => {
  busy.value = true;
  await phones.add({
    name: name.value.trim() || 'A phone',
    minutes: minutes.value,
    oneDevice: oneDevice.value,
  });
  busy.value = false;
};
</script>

<template>
  <form class="maker" aria-label="New try link" @submit.prevent="make">
    <label class="field grow">
      <span class="soft">For</span>
      <a-input v-model:value="name" size="small" :maxlength="80" aria-label="Whom the link is for" />
    </label>
    <label class="field">
      <span class="soft">Lasts</span>
      <SelectField v-model:value="minutes" name="How long the link lasts" :options="LASTS" class="lasts" />
    </label>
    <a-checkbox v-model:checked="oneDevice" class="one">The first device only</a-checkbox>
    <a-button
      :type="phones.links.length === 0 ? 'primary' : 'default'"
      html-type="submit"
      :loading="busy"
      :disabled="!phones.isLoaded"
      >Make a try link</a-button
    >
  </form>
</template>

<style scoped>
.maker {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.field {
  display: flex;
  gap: 6px;
  align-items: center;
}
.field.grow {
  min-width: 140px;
}
.lasts {
  width: 92px;
}
</style>
