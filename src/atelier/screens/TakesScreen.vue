<script setup lang="ts">
/** Takes: all footage that effects can be tried on, what happens in it, and the way to one's own. */
import { computed, onMounted, ref } from 'vue';
import { Copy, Pencil, Plus, Trash2 } from '@lucide/vue';
import { sentence } from '../../core/errors';
import { performerOf } from '../../core/takes/library';
import type { Take } from '../../core/takes/take';
import { kindsOf, useTakesStore } from '../stores/takes';
import { MARK_WORDS } from '../words';
import HomeBar from '../components/HomeBar.vue';
import InlineNotice from '../components/common/InlineNotice.vue';
import TakeFilm from '../components/takes/TakeFilm.vue';
import TakeFilters from '../components/takes/TakeFilters.vue';
import { useTakeFilter } from '../components/takes/use-take-filter';
import ChipButton from '../components/common/ChipButton.vue';
import IconButton from '../components/common/IconButton.vue';
import WordButton from '../components/common/WordButton.vue';

const takes = useTakesStore();
const { sort, happens, shown } = useTakeFilter(() => takes.all);
const error = ref<string | null>(null);
onMounted(() => takes.load());

const who = (take: Take): string =>
  [...new Set(take.spec.cast.map((m) => performerOf(m.performer).name))].join(', ');
const remove = async (take: Take): Promise<void> => {
  try {
    await takes.remove(take);
  } catch (cause) {
    error.value = sentence(cause);
  }
};
const own = computed(() => new Set(takes.own.map((t) => t.id)));
</script>

<template>
  <div class="page">
    <HomeBar current="takes" />
    <main>
      <InlineNotice v-if="error || takes.error" closable @close="error = null">
        {{ error ?? takes.error }}
        <WordButton @click="takes.load()">Try again</WordButton>
      </InlineNotice>
      <div class="row head">
        <div class="grow">
          <h1>Takes</h1>
          <p class="soft">
            Footage that Iconia makes itself: the same every time, with its true tracking known at every
            instant. Try an effect on any of them, or make your own from these. Clips of yours are brought in
            on the Try stage, and stay in this browser.
          </p>
        </div>
        <router-link :to="{ name: 'new-take' }">
          <a-button type="primary"
            ><span class="row new"><Plus :size="15" />New take</span></a-button
          >
        </router-link>
      </div>
      <TakeFilters v-model:sort="sort" v-model:happens="happens" :takes="takes.all" />
      <p v-if="shown.length === 0" class="soft">No take shows that. Choose another filter.</p>
      <ul>
        <li v-for="take in shown" :key="take.id" :aria-label="take.name">
          <TakeFilm :take="take" />
          <div class="about">
            <div class="row title">
              <b class="grow">{{ take.name }}</b>
              <router-link
                v-if="own.has(take.id)"
                class="icon-button"
                :to="{ name: 'take', params: { id: take.id } }"
                :aria-label="`Change ${take.name}`"
                title="Change"
                ><Pencil :size="14"
              /></router-link>
              <router-link
                v-if="!take.clip"
                class="icon-button"
                :to="{ name: 'new-take', query: { from: take.id } }"
                :aria-label="`Make your own from ${take.name}`"
                title="Make your own from this"
                ><Copy :size="14"
              /></router-link>
              <a-popconfirm
                v-if="own.has(take.id) || take.clip"
                title="Delete this take for good?"
                ok-text="Delete"
                cancel-text="Keep"
                @confirm="remove(take)"
              >
                <IconButton :aria-label="`Delete ${take.name}`">
                  <Trash2 :size="14" />
                </IconButton>
              </a-popconfirm>
            </div>
            <p v-if="take.goodFor" class="good">Good {{ take.goodFor }}</p>
            <p class="soft">{{ take.about }}</p>
            <p class="faint num">
              {{ take.duration.toFixed(0) }} s<template v-if="who(take)"> · {{ who(take) }}</template>
            </p>
            <p class="kinds">
              <ChipButton
                v-for="kind in kindsOf(take).slice(0, 5)"
                :key="kind"
                :title="`Show takes with this: ${MARK_WORDS[kind]}`"
                @click="happens = kind"
              >
                {{ MARK_WORDS[kind] }}
              </ChipButton>
            </p>
          </div>
        </li>
      </ul>
    </main>
  </div>
</template>

<style scoped>
.page {
  height: 100%;
  overflow: auto;
}
main {
  max-width: 1180px;
  margin: 0 auto;
  padding: 24px 24px 48px;
  display: grid;
  gap: 16px;
}
/* The icon stands in the middle of the line, whatever the button's line height. */
.new {
  display: inline-flex;
  vertical-align: top;
  height: 100%;
}
h1 {
  font-size: 22px;
}
.head p {
  max-width: 620px;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(268px, 1fr));
  gap: 22px 20px;
}
li {
  display: grid;
  grid-template-columns: 108px minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
.about {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 5px;
  min-width: 0;
}
.about b {
  font: 600 14px var(--head);
}
.about p {
  font-size: 12px;
  line-height: 1.35;
}
.about p.good {
  color: var(--ink);
}
.title {
  align-items: start;
  gap: 2px;
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.kinds .chip {
  font-size: 11px;
  padding: 1px 7px;
}
</style>
