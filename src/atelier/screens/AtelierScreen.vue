<script setup lang="ts">
/** The atelier: three pillars and a strip, the same in all five stages. */
import { computed, onBeforeUnmount, onMounted, provide, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useEventListener } from '@vueuse/core';
import type { Stage } from '../../core/checks/checks';
import type { Anchor } from '../../core/document/schema';
import { sentence } from '../../core/errors';
import { useCommands } from '../commands/commands';
import { belongsToControl, isTyping, matches } from '../commands/keys';
import { filesOfInput } from '../intake/dropped';
import type { Landing } from '../intake/land';
import { PICTURES_UNDER, type PictureUnder } from './pictures-under';
import { useFileDrop } from './use-file-drop';
import { loadUsed } from '../../stage/effect/stores';
import { makePeople } from '../../stage/performer/people-maker';
import { useAssetsStore } from '../stores/assets';
import { useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';
import { useImportsStore } from '../stores/imports';
import { useLinksStore } from '../stores/links';
import { usePainterStore } from '../stores/painter';
import { usePlaybackStore } from '../stores/playback';
import { fetchLaterParts, laterPart } from '../components/later-parts';
import { useInTurn } from '../in-turn';
import CommandPalette from '../components/CommandPalette.vue';
import InlineNotice from '../components/common/InlineNotice.vue';
import ImportNotice from '../components/library/ImportNotice.vue';
import TopBar from '../components/TopBar.vue';
import StackPanel from '../components/stack/StackPanel.vue';
import Viewfinder from '../components/viewfinder/Viewfinder.vue';
import TakeStrip from '../components/strip/TakeStrip.vue';
import PlaceBench from '../components/bench/place/PlaceBench.vue';
import WordButton from '../components/common/WordButton.vue';

const StyleBench = laterPart(() => import('../components/bench/style/StyleBench.vue'));
const BehaveBench = laterPart(() => import('../components/bench/behave/BehaveBench.vue'));
const TryBench = laterPart(() => import('../components/bench/try/TryBench.vue'));
const ReleaseBench = laterPart(() => import('../components/bench/release/ReleaseBench.vue'));
const LibraryPanel = laterPart(() => import('../components/library/LibraryPanel.vue'));

const props = defineProps<{ id: string; stage: string }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const playback = usePlaybackStore();
// Most effects open on the first take: its people are made while the effect is on its way.
if (desk.people === 'full') void makePeople(playback.take.performers);
const painter = usePainterStore();
const imports = useImportsStore();
const assets = useAssetsStore();
// Files that stay linked are watched as long as the effect is open.
useLinksStore();
const route = useRoute();
const router = useRouter();
const ready = ref(false);
const failure = ref<string | null>(null);
/** The picture begins to load first; the panels come while it does. */
const shown = useInTurn(() => ready.value, 5);
const picker = ref<HTMLInputElement | null>(null);
/** Where the files that are being chosen will go. */
let chosenFor: Landing = { place: true };
const chooseTo = (landing: Landing): void => {
  chosenFor = landing;
  picker.value?.click();
};
const chooseFiles = (on: Anchor | null = null): void => chooseTo({ place: true, on });
const commands = useCommands(() => chooseFiles());

const open = async (): Promise<void> => {
  ready.value = false;
  failure.value = null;
  desk.selected = null;
  desk.isolated = null;
  desk.scene = null;
  Object.assign(desk.finder, { asked: 'whole', large: false });
  desk.place.tool = null;
  desk.style.material = null;
  desk.style.slot = 'all';
  // What was chosen in the library is of the effect before.
  imports.leave();
  desk.closeLibrary();
  desk.library.selected = [];
  desk.library.from = null;
  try {
    await effectStore.open(props.id);
    // What the picture needs comes in while the panels are set up.
    void loadUsed(assets.stores, effectStore.effect);
    ready.value = true;
  } catch (error) {
    failure.value = sentence(error);
  }
};
watch(() => props.id, open);
watch(
  () => props.stage,
  (stage) => (desk.stage = stage as Stage),
  { immediate: true },
);
watch(
  () => playback.pictured,
  (there) => {
    if (there) fetchLaterParts();
  },
);
/** Close work lies over the Stack. */
const wide = computed(
  () =>
    desk.library.open ||
    (props.stage === 'behave' && desk.behave.wide && desk.behave.section === 'circuits') ||
    (props.stage === 'style' &&
      desk.style.wide &&
      (desk.style.section === 'circuit' || (desk.style.section === 'face' && painter.on !== null))),
);
const wantsPicture = ref(route.query.choose === 'picture');

const chosen = async (event: Event): Promise<void> => {
  const input = event.target as HTMLInputElement;
  const files = filesOfInput(input);
  input.value = '';
  wantsPicture.value = false;
  if (files.length > 0) await imports.bringInFiles(files, chosenFor);
};

const finder = ref<InstanceType<typeof Viewfinder> | null>(null);
/** Space, while it is there. */
const pictures = new Set<PictureUnder>();
provide(PICTURES_UNDER, pictures);
const { says, onDragEnter, onDragLeave, onDragOver, onDrop } = useFileDrop(
  (event) => {
    for (const picture of [finder.value?.under, ...pictures]) {
      const seen = picture?.(event);
      if (seen) return seen;
    }
    return null;
  },
  () => (wantsPicture.value = false),
);

const onKey = (event: KeyboardEvent): void => {
  if (!ready.value) return;
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
    event.preventDefault();
    desk.paletteOpen = !desk.paletteOpen;
    return;
  }
  if (desk.paletteOpen || isTyping(event.target)) return;
  if (event.key === 'Escape' && desk.library.open) {
    if (desk.library.task) desk.library.task = null;
    else desk.closeLibrary();
    return;
  }
  if (belongsToControl(event)) return;
  const command = commands.value.find((c) => c.keys && matches(c.keys, event));
  if (!command) return;
  event.preventDefault();
  command.run();
};
const onLeave = (event: BeforeUnloadEvent): void => {
  effectStore.keepNow();
  // What is not saved is kept in this browser; ask only where that is not enough.
  const { saveState } = effectStore;
  const stuck =
    saveState === 'refused' || saveState === 'apart' || (saveState !== 'saved' && !effectStore.keepsHere);
  if (stuck || effectStore.onTheWay > 0) event.preventDefault();
};
/** Another window is looked at, or this one goes without being asked. */
const onHide = (): void => effectStore.keepNow();
onMounted(() => {
  void open().then(() => {
    if (wantsPicture.value) void router.replace({ name: 'atelier', params: route.params });
  });
});
useEventListener('keydown', onKey);
useEventListener('beforeunload', onLeave);
useEventListener('pagehide', onHide);
useEventListener(document, 'visibilitychange', onHide);
onBeforeUnmount(() => {
  painter.close();
  desk.closeLibrary();
  desk.paletteOpen = false;
  imports.leave();
  playback.useTake();
  effectStore.close();
});
</script>

<template>
  <main v-if="failure" class="failure">
    <h1 class="hidden-text">This effect did not open</h1>
    <InlineNotice
      >{{ failure }} <WordButton @click="open">Try again</WordButton>
      <router-link class="word" to="/">Home</router-link></InlineNotice
    >
  </main>
  <div
    v-else-if="ready"
    class="atelier"
    @dragenter="onDragEnter"
    @dragleave="onDragLeave"
    @dragover.prevent="onDragOver"
    @drop.prevent="onDrop"
  >
    <TopBar v-if="shown >= 2" class="at-top" :stage="stage" />
    <div class="notices">
      <InlineNotice
        v-if="effectStore.notice"
        :kind="effectStore.saveState === 'refused' || effectStore.saveState === 'apart' ? 'error' : 'note'"
        closable
        @close="effectStore.notice = null"
        >{{ effectStore.notice }}</InlineNotice
      >
      <ImportNotice v-if="stage !== 'place' && !desk.library.open" />
      <InlineNotice
        v-if="wantsPicture && stage === 'place'"
        kind="note"
        closable
        @close="wantsPicture = false"
        >Choose the picture that goes on the face.
        <WordButton @click="chooseFiles()">Choose a picture</WordButton> or drop it anywhere.</InlineNotice
      >
    </div>
    <main class="pillars" :class="{ wide: wide, large: desk.finder.large }">
      <h1 class="hidden-text">{{ effectStore.effect.name }}</h1>
      <StackPanel
        v-if="!wide && shown >= 3"
        class="at-left"
        :stage="stage"
        @choose="chooseFiles"
        @choose-for="(spot) => chooseTo({ place: false, spot })"
      />
      <Viewfinder ref="finder" class="at-middle" :stage="stage" />
      <div class="bench">
        <template v-if="shown < 4" />
        <LibraryPanel v-else-if="desk.library.open" />
        <PlaceBench v-else-if="stage === 'place'" />
        <StyleBench v-else-if="stage === 'style'" @choose="chooseFiles" />
        <BehaveBench v-else-if="stage === 'behave'" />
        <TryBench v-else-if="stage === 'try'" />
        <ReleaseBench v-else />
      </div>
      <input
        ref="picker"
        class="hidden-text"
        type="file"
        multiple
        tabindex="-1"
        aria-label="Choose files"
        @change="chosen"
      />
    </main>
    <TakeStrip v-if="shown >= 5" class="at-foot" />
    <CommandPalette v-if="shown >= 5" @choose="chooseFiles()" />
    <div v-if="says" class="hover" role="status">{{ says }}</div>
  </div>
  <p v-else class="loading soft" role="status">Opening the effect</p>
</template>

<style scoped>
.atelier {
  display: grid;
  /* Narrow windows take from the Stack and the picture before the bench. */
  --stack: clamp(284px, 26.6vw, 340px);
  --picture: minmax(240px, clamp(260px, 30.3vw, 388px));
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: 52px auto 1fr 112px;
  height: 100%;
  min-height: 0;
}
.notices:not(:empty) {
  display: grid;
  gap: 4px;
}
/* Each has its place before the others are there. */
.at-top {
  grid-row: 1;
}
.notices {
  grid-row: 2;
}
.pillars {
  grid-row: 3;
  display: grid;
  grid-template-columns: var(--stack) var(--picture) minmax(0, 1fr);
  min-height: 0;
}
.at-foot {
  grid-row: 4;
}
.pillars > * {
  grid-row: 1;
}
.at-left {
  grid-column: 1;
}
.at-middle {
  grid-column: 2;
}
.pillars > .bench {
  grid-column: 3;
}
.pillars.wide {
  grid-template-columns: var(--picture) minmax(0, 1fr);
}
.pillars.wide > .at-middle {
  grid-column: 1;
}
.pillars.wide > .bench {
  grid-column: 2;
}
/* The Viewfinder lies over the bench. */
.pillars.large {
  grid-template-columns: var(--stack) minmax(0, 1fr) 0;
}
.pillars.large.wide {
  grid-template-columns: minmax(0, 1fr) 0;
}
.pillars.large > .bench {
  visibility: hidden;
}
.hover {
  position: fixed;
  left: 50%;
  top: 64px;
  transform: translateX(-50%);
  z-index: 20;
  padding: 6px 14px;
  border-radius: 20px;
  background: var(--accent);
  color: var(--on-accent);
  font-weight: 600;
  pointer-events: none;
}
.bench {
  background: var(--bench);
  min-width: 0;
  min-height: 0;
  overflow: hidden;
}
.failure,
.loading {
  max-width: 520px;
  margin: 20vh auto;
  text-align: center;
}
</style>
