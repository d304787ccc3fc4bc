<script setup lang="ts">
/** How much of it: what each kind of action has of its own. */
import type { Action, ActionKind } from '../../../../../core/document/schema';
import MotionAmount from './MotionAmount.vue';
import PlayAmount from './PlayAmount.vue';
import ValueAmount from './ValueAmount.vue';

defineProps<{ action: Action }>();
const emit = defineEmits<{ change: [change: object, gesture: string | null] }>();
const MOTION: ReadonlySet<ActionKind> = new Set([
  'move',
  'turn',
  'size',
  'pose',
  'circle',
  'follow',
  'shake',
  'sway',
  'bounce',
]);
const PLAY: ReadonlySet<ActionKind> = new Set(['play', 'picture', 'burst', 'flow']);
const change = (to: object, gesture: string | null): void => emit('change', to, gesture);
</script>

<template>
  <MotionAmount v-if="MOTION.has(action.kind)" :action="action" @change="change" />
  <PlayAmount v-else-if="PLAY.has(action.kind)" :action="action" @change="change" />
  <ValueAmount v-else :action="action" @change="change" />
</template>
