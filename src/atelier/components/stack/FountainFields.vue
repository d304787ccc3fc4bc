<script setup lang="ts">
/** What a fountain is made of: where particles are born, how they move, how they look over their life. */
import { computed } from 'vue';
import { reshape } from '../../../core/document/edits';
import {
  FACE_AREAS,
  FOUNTAIN_AREAS,
  type AssetId,
  type Fountain,
  type FountainAreaChoice,
} from '../../../core/document/schema';
import { samplePoints } from '../../commands/fountain-commands';
import { FACE_AREA_WORDS, FOUNTAIN_AREA_WORDS } from '../../fountain-words';
import { useEffectStore } from '../../stores/effect';
import GestureField from '../common/GestureField.vue';
import FountainLife from './FountainLife.vue';
import SelectField from '../common/SelectField.vue';
import { useMadeOf } from './use-made-of';
import { ref } from 'vue';
import { sentence } from '../../../core/errors';

const props = defineProps<{ object: Fountain }>();
const document = useEffectStore();
const pictures = useMadeOf(() => props.object);
const models = computed(() =>
  Object.values(document.effect.assets)
    .filter((a) => a.kind === 'model')
    .map((a) => ({ value: a.id as string, label: a.name })),
);
const problem = ref<string | null>(null);
const set = (change: Partial<Fountain>, gesture: string | null = null): void => {
  document.edit(
    reshape(document.effect, props.object.id, 'fountain', change),
    gesture && `${gesture}-${props.object.id}`,
  );
};
const areas = FOUNTAIN_AREAS.map((value) => ({ value, label: FOUNTAIN_AREA_WORDS[value] }));
const parts = FACE_AREAS.map((value) => ({ value, label: FACE_AREA_WORDS[value] }));
const setArea = (kind: FountainAreaChoice['kind']): void => {
  const fresh: Record<FountainAreaChoice['kind'], FountainAreaChoice> = {
    point: { kind: 'point' },
    disc: { kind: 'disc', radius: 0.03 },
    plane: { kind: 'plane', width: 0.2, depth: 0.2 },
    box: { kind: 'box', size: [0.1, 0.1, 0.1] },
    sphere: { kind: 'sphere', radius: 0.05 },
    mesh: { kind: 'mesh', asset: null, points: '' },
    face: { kind: 'face', part: 'mouth' },
  };
  set({ area: fresh[kind] });
};
const setMesh = async (id: string): Promise<void> => {
  problem.value = null;
  try {
    set({ area: { kind: 'mesh', asset: id as AssetId, points: await samplePoints(id as AssetId) } });
  } catch (error) {
    problem.value = sentence(error);
  }
};
const pair = (of: 'life' | 'speed' | 'spin', i: 0 | 1, v: number): void => {
  const next = [...props.object[of]] as [number, number];
  next[i] = v;
  set({ [of]: next }, `${of}-${i}`);
};
const boxSide = (i: number, v: number): void => {
  const { area } = props.object;
  if (area.kind !== 'box') return;
  const size = area.size.map((old, n) => (n === i ? v : old)) as typeof area.size;
  set({ area: { ...area, size } }, `side-${i}`);
};
const wind = (i: number, v: number): void =>
  set({ wind: props.object.wind.map((old, n) => (n === i ? v : old)) as Fountain['wind'] }, `wind-${i}`);
const percent = (v: number): number => v * 100;
</script>

<template>
  <div class="line">
    <span>Born on</span>
    <SelectField
      name="Where particles are born"
      class="wide"
      :value="object.area.kind"
      :options="areas"
      @change="(v: unknown) => setArea(v as FountainAreaChoice['kind'])"
    />
  </div>
  <div v-if="object.area.kind === 'face'" class="line">
    <span>Part</span>
    <SelectField
      name="Part of the face"
      class="wide"
      :value="object.area.part"
      :options="parts"
      @change="(v: unknown) => set({ area: { kind: 'face', part: v as never } })"
    />
  </div>
  <div v-else-if="object.area.kind === 'mesh'" class="line">
    <span>Model</span>
    <SelectField
      name="Model it is born on"
      class="wide"
      :value="(object.area.asset ?? null) as unknown as undefined"
      :options="models"
      placeholder="Choose a model"
      not-found-content="Bring in a model first"
      @change="(v: unknown) => setMesh(String(v))"
    />
    <p v-if="problem" class="wide warn">{{ problem }}</p>
  </div>
  <div v-else-if="object.area.kind === 'disc' || object.area.kind === 'sphere'" class="line">
    <span>Radius</span>
    <GestureField
      class="two"
      label="Radius, cm"
      unit=" cm"
      :value="percent(object.area.radius)"
      :min="0.01"
      :max="100000"
      @change="(v) => set({ area: { ...object.area, radius: v / 100 } as FountainAreaChoice }, 'radius')"
    />
  </div>
  <div v-if="object.area.kind === 'box'" class="line">
    <span>Extent</span>
    <GestureField
      v-for="(axis, i) in ['x', 'y', 'z']"
      :key="axis"
      :label="`Extent along ${axis}, cm`"
      :mark="axis"
      :value="percent(object.area.size[i]!)"
      :min="0.01"
      :max="100000"
      @change="(v) => boxSide(i, v / 100)"
    />
  </div>
  <div v-else-if="object.area.kind === 'plane'" class="line">
    <span>Extent</span>
    <GestureField
      label="Width, cm"
      mark="x"
      :value="percent(object.area.width)"
      :min="0.01"
      :max="100000"
      @change="(v) => set({ area: { ...object.area, width: v / 100 } as FountainAreaChoice }, 'width')"
    />
    <GestureField
      label="Depth, cm"
      mark="z"
      :value="percent(object.area.depth)"
      :min="0.01"
      :max="100000"
      @change="(v) => set({ area: { ...object.area, depth: v / 100 } as FountainAreaChoice }, 'depth')"
    />
  </div>
  <div class="line">
    <span>Rate</span>
    <GestureField
      label="Particles a second"
      unit=" /s"
      :value="object.rate"
      :min="0"
      :max="5000"
      :digits="0"
      @change="(rate) => set({ rate }, 'rate')"
    />
    <label class="two row"
      ><a-switch
        size="small"
        :checked="object.runs"
        aria-label="Runs from the start"
        @change="(v: unknown) => set({ runs: Boolean(v) })"
      />
      from the start</label
    >
  </div>
  <div class="line">
    <span>Life</span>
    <GestureField
      label="Shortest life, seconds"
      unit=" s"
      :value="object.life[0]"
      :min="0.05"
      :max="60"
      :step="0.1"
      :digits="2"
      @change="(v) => pair('life', 0, v)"
    />
    <GestureField
      label="Longest life, seconds"
      unit=" s"
      :value="object.life[1]"
      :min="0.05"
      :max="60"
      :step="0.1"
      :digits="2"
      @change="(v) => pair('life', 1, v)"
    />
    <GestureField
      label="Most at once"
      mark="≤"
      :value="object.most"
      :min="1"
      :max="20000"
      :digits="0"
      @change="(v) => set({ most: Math.round(v) }, 'most')"
    />
  </div>
  <div class="line">
    <span>Speed</span>
    <GestureField
      label="Least speed, cm a second"
      :value="percent(object.speed[0])"
      :min="0"
      :max="5000"
      @change="(v) => pair('speed', 0, v / 100)"
    />
    <GestureField
      label="Most speed, cm a second"
      unit=" cm/s"
      :value="percent(object.speed[1])"
      :min="0"
      :max="5000"
      @change="(v) => pair('speed', 1, v / 100)"
    />
    <GestureField
      label="Spread, degrees"
      unit="°"
      :value="object.spread"
      :min="0"
      :max="180"
      @change="(spread) => set({ spread }, 'spread')"
    />
  </div>
  <div class="line">
    <span>Gravity</span>
    <GestureField
      label="Gravity, metres a second squared; below 0 they rise"
      :value="object.gravity"
      :min="-50"
      :max="50"
      :step="0.05"
      :digits="2"
      @change="(gravity) => set({ gravity }, 'gravity')"
    />
    <span>Drag</span>
    <GestureField
      label="Drag of the air"
      :value="object.drag"
      :min="0"
      :max="50"
      :step="0.1"
      @change="(drag) => set({ drag }, 'drag')"
    />
  </div>
  <div class="line">
    <span>Wind</span>
    <GestureField
      v-for="(axis, i) in ['x', 'y', 'z']"
      :key="axis"
      :label="`Wind along ${axis}, cm a second`"
      :mark="axis"
      :value="percent(object.wind[i]!)"
      :min="-5000"
      :max="5000"
      @change="(v) => wind(i, v / 100)"
    />
  </div>
  <div class="line">
    <span>Swirls</span>
    <GestureField
      label="How strong swirls are"
      :value="object.turbulence"
      :min="0"
      :max="50"
      :step="0.05"
      :digits="2"
      @change="(turbulence) => set({ turbulence }, 'turbulence')"
    />
    <GestureField
      label="Size of swirls, cm"
      unit=" cm"
      :value="percent(object.swirl)"
      :min="0.5"
      :max="1000"
      @change="(v) => set({ swirl: v / 100 }, 'swirl')"
    />
    <GestureField
      label="Spin, turns a second to either side"
      unit=" ↻"
      :value="object.spin[1]"
      :min="0"
      :max="20"
      :step="0.1"
      @change="(v) => set({ spin: [-v, v] }, 'spin')"
    />
  </div>
  <div class="line">
    <span>Bounces</span>
    <label class="row"
      ><a-switch
        size="small"
        :checked="object.floor !== null"
        aria-label="Bounces off the floor"
        @change="(v: unknown) => set({ floor: v ? 0.5 : null })"
      />floor</label
    >
    <label class="row"
      ><a-switch
        size="small"
        :checked="object.face !== null"
        aria-label="Bounces off the head"
        @change="(v: unknown) => set({ face: v ? 0.4 : null })"
      />head</label
    >
    <GestureField
      label="Another way of falling: its seed"
      mark="seed"
      :value="object.seed"
      :min="0"
      :max="65535"
      :digits="0"
      @change="(v) => set({ seed: Math.round(v) }, 'seed')"
    />
  </div>
  <div class="line">
    <span>Looks</span>
    <SelectField
      name="Picture of a particle"
      class="wide"
      :value="object.asset ?? ''"
      :options="[{ value: '', label: 'A round dot' }, ...pictures]"
      @change="(v: unknown) => set({ asset: (v || null) as AssetId | null })"
    />
  </div>
  <div class="line">
    <span>Size</span>
    <GestureField
      label="Size, mm"
      unit=" mm"
      :value="object.size * 1000"
      :min="0.2"
      :max="10000"
      @change="(v) => set({ size: v / 1000 }, 'size')"
    />
    <GestureField
      label="Size varies by, per cent"
      mark="±"
      unit="%"
      :value="percent(object.sizeVaries)"
      :min="0"
      :max="100"
      :digits="0"
      @change="(v) => set({ sizeVaries: v / 100 }, 'varies')"
    />
    <SelectField
      v-if="document.effect.assets[object.asset as AssetId]?.kind === 'sequence'"
      name="Frames of its sequence"
      :value="object.frames"
      :options="[
        { value: 'life', label: 'over life' },
        { value: 'one', label: 'one each' },
      ]"
      @change="(v: unknown) => set({ frames: v as 'life' })"
    />
  </div>
  <FountainLife :over="object.over" @change="(over, gesture) => set({ over }, gesture)" />
</template>

<style scoped src="./fields.css"></style>
