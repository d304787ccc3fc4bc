<script setup lang="ts">
/** Home: the creator's effects, and how to begin a new one. */
import { computed, onMounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { Copy, Square, Trash2 } from '@lucide/vue';
import type { EffectSummary } from '../../core/contract/contract';
import { api } from '../api/client';
import { sentence } from '../../core/errors';
import { urgently } from '../drawing/urgent';
import { starterPicture } from '../starters/starter-pictures';
import { STARTERS, starterOf, type Starter } from '../starters/starters';
import { keepTake } from '../saving/kept-tries';
import { useStockStore } from '../stores/stock';
import HomeBar from '../components/HomeBar.vue';
import EffectThumb from '../components/common/EffectThumb.vue';
import InlineNotice from '../components/common/InlineNotice.vue';
import SelectField from '../components/common/SelectField.vue';
import { cutText } from '../../core/text';
import IconButton from '../components/common/IconButton.vue';
import WordButton from '../components/common/WordButton.vue';

const router = useRouter();
const stock = useStockStore();
const effects = shallowRef<EffectSummary[] | null>(null);
const error = ref<string | null>(null);
const search = ref('');
const sort = ref<'newest' | 'name'>('newest');

const load = async (): Promise<void> => {
  try {
    effects.value = await api.list();
    error.value = null;
  } catch (cause) {
    error.value = sentence(cause);
  }
};
onMounted(load);

const shown = computed(() => {
  const found = (effects.value ?? []).filter((e) =>
    e.name.toLowerCase().includes(search.value.trim().toLowerCase()),
  );
  return sort.value === 'name' ? found.sort((a, b) => a.name.localeCompare(b.name)) : found;
});

const freeName = (wanted: string): string => {
  const taken = new Set((effects.value ?? []).map((e) => e.name));
  let name = wanted;
  for (let n = 2; taken.has(name); n++) name = `${wanted} ${n}`;
  return name;
};

/** The starter that is being made ready. */
const making = ref<string | null>(null);
const begin = async (starter: Starter): Promise<void> => {
  if (making.value) return;
  making.value = starter.id;
  try {
    await urgently(async () => {
      const samples = await stock.assetsFor(starter.stock);
      const name = freeName(starter.id === 'blank' ? 'New effect' : starter.name);
      const made = await api.create({ ...starter.build(samples), name });
      if (starter.take) keepTake(made.id, starter.take);
      const query = starter.asks ? { choose: 'picture' } : {};
      await router.push({ name: 'atelier', params: { id: made.id, stage: 'place' }, query });
    });
  } catch (cause) {
    error.value = sentence(cause);
  } finally {
    making.value = null;
  }
};

const duplicate = async (record: EffectSummary): Promise<void> => {
  try {
    const { effect } = await api.get(record.id);
    await api.create({ ...effect, name: freeName(cutText(`${effect.name} copy`, 76)) });
    await load();
  } catch (cause) {
    error.value = sentence(cause);
  }
};
const remove = async (record: EffectSummary): Promise<void> => {
  try {
    // What deleting takes down was said where it was confirmed.
    await api.remove(record.id, record.address !== null);
    await load();
  } catch (cause) {
    error.value = sentence(cause);
  }
};
const day = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'long',
  hour: '2-digit',
  minute: '2-digit',
});
</script>

<template>
  <div class="home">
    <HomeBar current="effects" />
    <main>
      <h1 class="hidden-text">Effects</h1>
      <InlineNotice v-if="error" closable @close="error = null"
        >{{ error }} <WordButton @click="load">Try again</WordButton></InlineNotice
      >
      <section>
        <h2 class="title">Begin</h2>
        <ul class="starters">
          <li v-for="starter in STARTERS" :key="starter.id">
            <button
              class="starter"
              type="button"
              :disabled="making !== null"
              :aria-busy="making === starter.id"
              @click="begin(starter)"
            >
              <img v-if="starterPicture(starter.id)" :src="starterPicture(starter.id)" alt="" />
              <span v-else class="bare"><Square :size="22" /></span>
              <b>{{ starter.name }}</b>
              <small>{{ making === starter.id ? 'Getting it ready' : starter.about }}</small>
            </button>
          </li>
        </ul>
      </section>
      <section>
        <div class="row head">
          <h2 class="title grow">Your effects</h2>
          <template v-if="effects && effects.length > 1">
            <a-input
              v-model:value="search"
              class="search"
              placeholder="Find by name"
              aria-label="Find by name"
              allow-clear
            />
            <SelectField
              v-model:value="sort"
              name="Sort"
              size="middle"
              class="sort"
              :options="[
                { value: 'newest', label: 'Newest first' },
                { value: 'name', label: 'By name' },
              ]"
            />
          </template>
        </div>
        <p v-if="effects === null && !error" class="soft">Loading your effects</p>
        <p v-else-if="effects && effects.length === 0" class="soft empty">
          Nothing here yet. Begin with
          <WordButton @click="begin(starterOf('picture'))">Picture on a face</WordButton>: all it needs is a
          picture.
        </p>
        <p v-else-if="effects && shown.length === 0" class="soft empty">No effect is called that.</p>
        <ul class="effects">
          <li v-for="record in shown" :key="record.id">
            <router-link
              :to="{ name: 'atelier', params: { id: record.id, stage: 'place' } }"
              :aria-label="`Open ${record.name || 'effect without a name'}`"
            >
              <EffectThumb :record="record" />
              <b class="cut">{{ record.name || 'Without a name' }}</b>
            </router-link>
            <div class="row under">
              <small class="faint grow cut"
                >{{ record.address ? 'Live · ' : '' }}{{ day.format(new Date(record.updatedAt)) }}</small
              >
              <IconButton :aria-label="`Duplicate ${record.name}`" @click="duplicate(record)">
                <Copy :size="14" />
              </IconButton>
              <a-popconfirm
                :title="
                  record.address
                    ? `This effect is live. Delete it, and take its public address down? Whoever opens /show/${record.address} then finds nothing.`
                    : 'Delete this effect for good?'
                "
                :ok-text="record.address ? 'Delete and take down' : 'Delete'"
                cancel-text="Keep"
                @confirm="remove(record)"
              >
                <IconButton :aria-label="`Delete ${record.name}`">
                  <Trash2 :size="14" />
                </IconButton>
              </a-popconfirm>
            </div>
          </li>
        </ul>
      </section>
    </main>
  </div>
</template>

<style scoped>
.home {
  height: 100%;
  overflow: auto;
}
main {
  max-width: 1080px;
  margin: 0 auto;
  padding: 28px 24px 48px;
  display: grid;
  gap: 32px;
}
.title {
  font-size: 20px;
}
.starters {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(156px, 1fr));
  gap: 14px;
  margin: 12px 0 0;
  padding: 0;
  list-style: none;
}
.starter {
  display: flex;
  flex-direction: column;
  justify-content: flex-start;
  width: 100%;
  height: 100%;
  padding: 0 0 10px;
  overflow: hidden;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.starter:hover,
.starter:focus-visible {
  border-color: var(--accent);
}
.starter[aria-busy='true'] {
  background: var(--wash);
}
.starter img,
.bare {
  display: grid;
  place-items: center;
  width: 100%;
  flex: none;
  height: 112px;
  object-fit: cover;
  background: var(--bench);
  color: var(--faint);
}
.starter b,
.starter small {
  display: block;
  margin: 8px 12px 0;
}
.starter b {
  font: 600 14px var(--head);
}
.starter small {
  margin-top: 2px;
  color: var(--soft);
  font-size: 12px;
  line-height: 1.35;
}
.search {
  width: 200px;
}
.sort {
  width: 130px;
}
.empty {
  padding: 18px 0;
}
.effects {
  list-style: none;
  margin: 16px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 24px 20px;
}
.effects a {
  color: inherit;
  text-decoration: none;
}
.effects b {
  display: block;
  margin-top: 8px;
  font: 600 14px var(--head);
}
.under {
  gap: 2px;
}
</style>
