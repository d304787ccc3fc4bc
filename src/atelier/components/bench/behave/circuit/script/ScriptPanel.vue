<script setup lang="ts">
/** A script as it is written: its code, its ports, what it keeps at this moment, and what it logs on the take. */
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue';
import { ArrowLeft, Maximize2, Minimize2, WandSparkles } from '@lucide/vue';
import { formulaNames } from '../../../../../../core/document/formula-names';
import type { CircuitId, NodeId } from '../../../../../../core/document/schema';
import { boundReads, scriptDeclarations } from '../../../../../../core/document/script-names';
import type { PortSide } from '../../../../../../core/edits/circuit-edits';
import { sentence } from '../../../../../../core/errors';
import type { NodeOf } from '../../../../../../core/kinds/nodes/nodes';
import { type DeclaredPort } from '../../../../../../core/kinds/nodes/declared-ports';
import { MOST_SOURCE, type Script } from '../../../../../../core/kinds/nodes/script-nodes';
import { SCRIPT_EXAMPLES } from '../../../../../../core/kinds/nodes/script-examples';
import type { ScriptEditor } from '../../../../../code/script-editor';
import type { TypeChecker } from '../../../../../code/type-checker';
import type { TypeProblem } from '../../../../../code/type-messages';
import { useEffectStore } from '../../../../../stores/effect';
import { usePlaybackStore } from '../../../../../stores/playback';
import { namesIn } from '../../../../../when-words';
import ChoiceField from '../../../../common/ChoiceField.vue';
import IconButton from '../../../../common/IconButton.vue';
import InlineNotice from '../../../../common/InlineNotice.vue';
import TextField from '../../../../common/TextField.vue';
import WordButton from '../../../../common/WordButton.vue';
import DeclaredPorts from '../DeclaredPorts.vue';
import { useScriptNow } from './use-script-now';

const props = defineProps<{
  circuit: CircuitId;
  node: NodeOf<'script'>;
  /** The node of the run; null where it is looked at without a use. */
  inRun: NodeId | null;
  /** It lies over the whole bench. */
  wide: boolean;
  /** What is at one of its ports now. */
  valueAt: (side: PortSide, name: string) => string;
}>();
const emit = defineEmits<{
  set: [node: NodeId, set: Partial<Script>, gesture: string | null];
  declare: [node: NodeId, side: PortSide, index: number, port: DeclaredPort | null];
  done: [];
  back: [];
  widen: [];
}>();
const effectStore = useEffectStore();
const playback = usePlaybackStore();
const set = computed<Script>(() => props.node.set);
const known = computed(() => formulaNames(effectStore.effect, namesIn(effectStore.effect)));
const declarations = computed(() => scriptDeclarations(set.value, known.value));
const { logs, stop, state } = useScriptNow(() => ({ circuit: props.circuit, node: props.inRun }));

/** Why something could not be done. */
const said = ref<string | null>(null);
const problems = shallowRef<readonly TypeProblem[]>([]);
const place = ref<HTMLElement | null>(null);
let editor: ScriptEditor | null = null;
let types: TypeChecker | null = null;
let isGone = false;

/** Letters within one word are not run one by one. */
const WAITS = 300;
let timer: ReturnType<typeof setTimeout> | null = null;
const keep = (): void => {
  if (timer !== null) clearTimeout(timer);
  timer = null;
  const source = editor?.text ?? set.value.source;
  if (source === set.value.source) return;
  if (source.length > MOST_SOURCE) {
    said.value = `A script has at most ${MOST_SOURCE.toLocaleString('en')} letters: what is beyond that is not kept.`;
    return;
  }
  emit('set', props.node.id, { source, reads: boundReads(source, set.value.reads, known.value) }, 'source');
};
const typed = (): void => {
  said.value = null;
  if (timer !== null) clearTimeout(timer);
  timer = setTimeout(keep, WAITS);
  void check();
};
const leave = (): void => {
  keep();
  emit('done');
};
/** Types are looked at once more when they are known of what was typed last. */
let checks = 0;
const check = async (): Promise<void> => {
  const number = ++checks;
  const text = editor?.text ?? '';
  const found = (await types?.problems(text)) ?? [];
  if (number !== checks || !editor) return;
  problems.value = found;
  editor.show(found);
};
onMounted(async () => {
  const [{ scriptEditor }, { TypeChecker: Types }] = await Promise.all([
    import('../../../../../code/script-editor'),
    import('../../../../../code/type-checker'),
  ]);
  if (isGone || !place.value) return;
  types = new Types(
    () => declarations.value,
    () => {
      said.value =
        'Types are not checked, and names not offered: what knows them could not be loaded. The script runs all the same. Reload the page to try again.';
    },
  );
  editor = scriptEditor(place.value, set.value.source, {
    label: `Code of ${set.value.name || 'the script'}`,
    completions: (text, at) => types!.completions(text, at),
    changed: typed,
    left: leave,
  });
  editor.markLine(stop.value?.line ?? null);
  void check();
});
onBeforeUnmount(() => {
  keep();
  isGone = true;
  types?.stop();
  editor?.destroy();
  editor = null;
});
/** Undone, or changed elsewhere. */
watch(
  () => set.value.source,
  (source) => {
    if (timer === null) editor?.setText(source);
  },
);
watch(declarations, () => void check());
watch(
  () => stop.value?.line ?? null,
  (line) => editor?.markLine(line),
);

const examples = SCRIPT_EXAMPLES.map(({ id, name, about }) => ({ value: id, label: `${name}: ${about}` }));
const begin = (id: string): void => {
  const example = SCRIPT_EXAMPLES.find((one) => one.id === id);
  if (!example) return;
  const { name, source, takes, gives } = example;
  emit(
    'set',
    props.node.id,
    { name, source, takes, gives, reads: boundReads(source, {}, known.value) },
    null,
  );
  emit('done');
};
const layOut = async (): Promise<void> => {
  said.value = null;
  try {
    const { formattedScript } = await import('../../../../../code/format-script');
    editor?.setText(await formattedScript(editor.text));
    leave();
  } catch (error) {
    said.value = sentence(error);
  }
};
const seconds = (time: number): string => `${time.toFixed(2)} s`;
const firstProblem = computed(() => {
  const [first] = problems.value;
  if (!first) return null;
  const line = (editor?.text ?? '').slice(0, first.from).split('\n').length;
  return `Line ${line}: ${first.message}`;
});
</script>

<template>
  <section class="script" aria-label="Script">
    <div class="bar">
      <WordButton @click="emit('back')"><ArrowLeft :size="13" /> Board</WordButton>
      <TextField
        class="name"
        label="Name of the script"
        placeholder="Script"
        :value="set.name"
        @change="(name: string) => emit('set', node.id, { name }, 'name')"
        @done="emit('done')"
      />
      <ChoiceField
        class="examples"
        label="Begin with an example"
        ask="Begin with an example"
        :needed="false"
        :value="null"
        :options="examples"
        @change="begin"
      />
      <IconButton title="Lay out the code" aria-label="Lay out the code" @click="layOut">
        <WandSparkles :size="14" />
      </IconButton>
      <IconButton
        :title="wide ? 'Show the Stack again' : 'Over the Stack'"
        :aria-label="wide ? 'Show the Stack again' : 'Over the Stack'"
        @click="emit('widen')"
      >
        <component :is="wide ? Minimize2 : Maximize2" :size="14" />
      </IconButton>
    </div>
    <InlineNotice v-if="said" kind="error" closable @close="said = null">{{ said }}</InlineNotice>
    <InlineNotice v-if="playback.scriptsProblem" kind="error">{{ playback.scriptsProblem }}</InlineNotice>
    <InlineNotice v-else-if="stop" kind="error">
      <template v-if="stop.time !== null">Stopped at {{ seconds(stop.time) }}</template>
      <template v-else>Stopped</template>
      <template v-if="stop.line !== null"> in line {{ stop.line }}</template>: {{ stop.message }} The effect
      goes on with what it gave last.
      <WordButton v-if="stop.time !== null" @click="playback.seek(stop.time)">Go there</WordButton>
    </InlineNotice>
    <div class="columns">
      <div class="code">
        <div ref="place" class="place" />
        <p v-if="firstProblem" class="bad" role="status">{{ firstProblem }}</p>
      </div>
      <aside aria-label="About the script">
        <DeclaredPorts
          side="takes"
          :ports="set.takes"
          :value-at="(name) => valueAt('takes', name)"
          @declare="(i, port) => emit('declare', node.id, 'takes', i, port)"
          @done="emit('done')"
        />
        <DeclaredPorts
          side="gives"
          :ports="set.gives"
          :value-at="(name) => valueAt('gives', name)"
          @declare="(i, port) => emit('declare', node.id, 'gives', i, port)"
          @done="emit('done')"
        />
        <section>
          <h3>State now</h3>
          <dl v-if="state.length > 0" aria-label="State now">
            <template v-for="{ name, value } in state" :key="name">
              <dt>{{ name }}</dt>
              <dd>{{ value }}</dd>
            </template>
          </dl>
          <p v-else class="soft">
            Nothing is kept. Write <code>export const state = { count: 0 };</code> and change it in step.
          </p>
        </section>
        <section>
          <h3>Log on this take</h3>
          <ol v-if="logs.length > 0" aria-label="Log on this take">
            <li
              v-for="({ time, text }, i) in logs.slice(0, 200)"
              :key="i"
              :class="{ past: time <= playback.time }"
            >
              <button type="button" :title="`Go to ${seconds(time)}`" @click="playback.seek(time)">
                {{ seconds(time) }}
              </button>
              {{ text }}
            </li>
          </ol>
          <p v-else class="soft">Nothing yet. <code>log(…)</code> in step writes a line, with its time.</p>
        </section>
      </aside>
    </div>
  </section>
</template>

<style scoped>
.script {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
  container-type: inline-size;
}
.bar {
  display: flex;
  gap: 6px;
  align-items: center;
}
.name {
  width: 150px;
}
.examples {
  flex: 1;
  min-width: 120px;
}
.columns {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 14px;
  min-height: 0;
}
/* Beside the Viewfinder there is room for one of them only. */
@container (max-width: 640px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(150px, 1fr) auto;
    overflow: auto;
  }
}
.code {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-height: 0;
}
.place {
  flex: 1;
  min-height: 120px;
}
.code p {
  margin: 0;
  font-size: 12px;
}
aside {
  display: grid;
  gap: 12px;
  align-content: start;
  overflow: auto;
  padding-right: 4px;
}
aside :deep(h3) {
  margin: 0;
  font-size: 12px;
}
aside section {
  display: grid;
  gap: 4px;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 1px 10px;
  margin: 0;
  font: 11.5px/1.5 var(--mono);
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
ol {
  display: grid;
  gap: 1px;
  max-height: 180px;
  margin: 0;
  padding: 0;
  overflow: auto;
  font: 11.5px/1.5 var(--mono);
  list-style: none;
}
li {
  color: var(--soft);
}
li.past {
  color: var(--ink);
}
li button {
  padding: 0;
  border: 0;
  background: none;
  color: var(--accent);
  font: inherit;
  cursor: pointer;
}
.soft {
  margin: 0;
  font-size: 12px;
}
</style>
