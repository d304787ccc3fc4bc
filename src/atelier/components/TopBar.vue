<script setup lang="ts">
/** Name, stage bar, undo, palette. */
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { Moon, Redo2, Search, Sun, Undo2 } from '@lucide/vue';
import { check } from '../../core/checks/checks';
import { renameEffect } from '../../core/edits/effect-edits';
import { STAGES, useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';
import { sizeWords } from '../words';
import BrandMark from './common/BrandMark.vue';
import { useWeight } from './library/use-weight';
import { cutText } from '../../core/text';
import TextField from './common/TextField.vue';
import IconButton from './common/IconButton.vue';
import WordButton from './common/WordButton.vue';

defineProps<{ stage: string }>();
const router = useRouter();
const route = useRoute();
const effectStore = useEffectStore();
const desk = useDeskStore();
const { total, limit, over } = useWeight();
const stops = computed(() => check(effectStore.effect).filter((f) => f.severity === 'stop').length);
const go = (stage: string) => router.replace({ name: 'atelier', params: { ...route.params, stage } });
const rename = (text: string) => effectStore.edit(renameEffect(cutText(text, 80)), 'name');
</script>

<template>
  <header class="top">
    <div class="left">
      <router-link to="/" class="home" aria-label="Iconia, home"
        ><BrandMark /><span class="brand">Iconia</span></router-link
      >
      <TextField
        id="effect-name"
        class="name"
        label="Name of the effect"
        placeholder="Name this effect"
        live
        :value="effectStore.effect.name"
        :most="80"
        @change="rename"
        @done="effectStore.endGesture()"
      />
      <span
        class="state faint cut"
        role="status"
        :class="{
          warn: effectStore.saveState === 'offline',
          bad: ['refused', 'apart'].includes(effectStore.saveState),
        }"
        >{{ effectStore.saveWords }}</span
      >
    </div>
    <nav class="stages" aria-label="Stages">
      <button
        v-for="s in STAGES"
        :key="s.name"
        type="button"
        class="stage"
        :class="{ on: s.name === stage }"
        :aria-current="s.name === stage ? 'step' : undefined"
        @click="go(s.name)"
      >
        <i aria-hidden="true" />{{ s.label
        }}<sup v-if="s.name === 'release' && stops > 0" :aria-label="`${stops} open`">{{ stops }}</sup>
      </button>
    </nav>
    <div class="right">
      <!-- Place and the library show it themselves, with its pieces. -->
      <WordButton
        v-if="stage !== 'place' && !desk.library.open"
        class="weight"
        :class="{ bad: over }"
        :aria-label="`${sizeWords(total)} of ${sizeWords(limit)} that outlets take: see what takes the space`"
        title="What takes the space"
        @click="desk.openLibrary()"
      >
        {{ sizeWords(total) }}<span class="limit"> of {{ sizeWords(limit) }}</span>
      </WordButton>
      <IconButton
        :disabled="!effectStore.undoLabel"
        :aria-label="effectStore.undoLabel ? `Undo: ${effectStore.undoLabel}` : 'Undo'"
        :title="effectStore.undoLabel ? `Undo: ${effectStore.undoLabel}` : 'Nothing to undo'"
        @click="effectStore.undo()"
      >
        <Undo2 :size="16" />
      </IconButton>
      <IconButton
        :disabled="!effectStore.redoLabel"
        :aria-label="effectStore.redoLabel ? `Redo: ${effectStore.redoLabel}` : 'Redo'"
        :title="effectStore.redoLabel ? `Redo: ${effectStore.redoLabel}` : 'Nothing to redo'"
        @click="effectStore.redo()"
      >
        <Redo2 :size="16" />
      </IconButton>
      <IconButton
        :aria-label="desk.dark ? 'Light theme' : 'Dark theme'"
        :title="desk.dark ? 'Light theme' : 'Dark theme'"
        @click="desk.dark = !desk.dark"
      >
        <Sun v-if="desk.dark" :size="16" /><Moon v-else :size="16" />
      </IconButton>
      <a-button @click="desk.paletteOpen = true">
        <span class="row find"><Search :size="14" />Find <span class="num faint">Ctrl K</span></span>
      </a-button>
    </div>
  </header>
</template>

<style scoped>
.top {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto minmax(max-content, 1fr);
  align-items: center;
  height: 52px;
  border-bottom: 1px solid var(--line);
}
.left,
.right {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 0 16px;
  min-width: 0;
}
.right {
  justify-content: flex-end;
}
.home {
  display: flex;
  align-items: center;
  gap: 10px;
  color: inherit;
  text-decoration: none;
}
.brand {
  font: 650 17px var(--head);
}
.ant-input.name {
  margin-left: 4px;
  flex: 1 1 120px;
  min-width: 90px;
  max-width: 240px;
  text-overflow: ellipsis;
  background: none;
  font: 600 13px var(--text);
}
.state {
  flex: 0 1 auto;
  font-size: 12px;
  min-width: 0;
}
.weight {
  margin: 0 6px;
  font-size: 12px;
  white-space: nowrap;
  color: var(--soft);
}
.weight.bad {
  color: var(--madder);
}
.stages {
  display: flex;
}
.stage {
  position: relative;
  width: clamp(74px, 7.6vw, 104px);
  padding: 20px 0 4px;
  border: 0;
  background: none;
  color: var(--soft);
  font: 500 13px var(--text);
  cursor: pointer;
}
.stage::before {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  top: 12px;
  border-top: 1.5px solid var(--line);
}
.stage:first-child::before {
  left: 50%;
}
.stage:last-child::before {
  right: 50%;
}
.stage i {
  position: absolute;
  left: 50%;
  top: 8px;
  width: 9px;
  height: 9px;
  margin-left: -4.5px;
  border-radius: 50%;
  background: var(--paper);
  border: 1.5px solid var(--faint);
}
.stage.on {
  color: var(--ink);
  font-weight: 650;
}
.stage.on i {
  background: var(--accent);
  border-color: var(--accent);
  box-shadow: 0 0 0 4px var(--wash);
}
.find {
  display: inline-flex;
  gap: 6px;
}
/* Narrow windows keep the words that lead somewhere. */
@media (max-width: 1180px) {
  .limit,
  .brand,
  .find .num {
    display: none;
  }
  .left,
  .right {
    padding: 0 10px;
    gap: 4px;
  }
}
sup {
  font: 600 10px var(--mono);
  color: var(--ochre);
  margin-left: 3px;
}
</style>
