<script setup lang="ts">
/** Phones: the effect as it is now on real devices, by a secret address, and what they say about it. */
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { Smartphone } from '@lucide/vue';
import { usePhonesStore } from '../../../../stores/phones';
import { useClipsStore } from '../../../../stores/clips';
import InlineNotice from '../../../common/InlineNotice.vue';
import SelectField from '../../../common/SelectField.vue';
import ClipProgress from '../../../takes/ClipProgress.vue';
import LinkMaker from './LinkMaker.vue';
import PhoneCard from './PhoneCard.vue';
import TryLinkCard from './TryLinkCard.vue';

const phones = usePhonesStore();
const clips = useClipsStore();
const now = ref(Date.now());
const clock = setInterval(() => (now.value = Date.now()), 10_000);
onMounted(() => phones.open());
onBeforeUnmount(() => {
  clearInterval(clock);
  phones.close();
});
/** Phones cannot come to this computer's own address. */
const isOnlyHere = computed(() => phones.isLoaded && phones.doors.every((d) => d.reach === 'computer'));
const isOwnCertificate = computed(() => phones.door?.reach === 'network');
const doors = computed(() => phones.doors.map((d) => ({ value: d.base, label: d.base })));
</script>

<template>
  <div class="phones">
    <p class="soft intro">
      A try link opens the effect as it is now on a phone. What you change is there within a second, without
      loading anew; the phone says how fast it draws, what it finds, and what goes wrong.
    </p>
    <LinkMaker />
    <InlineNotice v-if="isOnlyHere" kind="note"
      >These links open on this computer only. To reach phones in your network, start Iconia with
      <code>npm start -- --lan</code>.</InlineNotice
    >
    <InlineNotice v-else-if="isOwnCertificate && phones.links.length > 0" kind="note"
      >The phone has to be in the same network. The first time it warns that the connection is not private:
      choose “Advanced” or “Details”, then go on. Only this computer vouches for the address, and cameras need
      a secure one.</InlineNotice
    >
    <label v-if="phones.doors.length > 1 && phones.links.length > 0" class="row">
      <span class="soft">Links begin with</span>
      <SelectField
        name="Where links begin"
        :value="phones.door?.base"
        :options="doors"
        class="door"
        @update:value="(base: string) => (phones.chosen = base)"
      />
    </label>
    <InlineNotice v-if="phones.trouble" closable @close="phones.trouble = null">{{
      phones.trouble
    }}</InlineNotice>
    <InlineNotice v-if="clips.trouble?.of === null" closable @close="clips.trouble = null">{{
      clips.trouble.words
    }}</InlineNotice>
    <ClipProgress v-if="clips.coming" />
    <TryLinkCard v-for="link in phones.links" :key="link.id" :link="link" :now="now" />
    <template v-if="phones.links.length > 0">
      <h3 class="row">
        <span class="grow">Phones</span>
        <span v-if="!phones.isListening" class="soft" role="status">Waiting for the server</span>
      </h3>
      <p v-if="phones.phones.length === 0" class="soft empty">
        <Smartphone :size="18" aria-hidden="true" />
        <span>Nobody has a link open. Scan a code with your phone’s camera, or send the address.</span>
      </p>
      <PhoneCard v-for="phone in phones.phones" :key="phone.id" :phone="phone" :now="now" />
    </template>
  </div>
</template>

<style scoped>
.phones {
  display: grid;
  gap: 12px;
}
p,
h3 {
  margin: 0;
}
.door {
  min-width: 240px;
}
.empty {
  display: flex;
  gap: 10px;
  align-items: center;
}
code {
  font-family: var(--mono, monospace);
  white-space: nowrap;
}
</style>
