<script setup lang="ts">
/** All lights of the effect in one place, the shadows they throw, and the light of the camera picture to match. */
import { computed } from 'vue';
import { Plus, SunMedium } from '@lucide/vue';
import { changeObject } from '../../../../core/edits/object-edits';
import { anchorOf, stackOrder } from '../../../../core/document/queries';
import type { Anchor, Light, LightKind, ShadowCatcher } from '../../../../core/document/schema';
import { anglesOf, directionFrom, turnTowards, type LightAngles } from '../../../../core/light/direction';
import { matchLight } from '../../../../core/edits/match-light';
import { fromAngles, rotate } from '../../../../core/maths/quaternion';
import { newObjectId } from '../../../api/ids';
import { addNew } from '../../../commands/place-commands';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import { LIGHT_WORDS } from '../../../../core/kinds/objects/light';
import PropertyField from '../../common/PropertyField.vue';
import SliderField from '../../common/SliderField.vue';
import ChipButton from '../../common/ChipButton.vue';
import WordButton from '../../common/WordButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const playback = usePlaybackStore();
const lights = computed(() => stackOrder(effectStore.effect).filter((o): o is Light => o.kind === 'light'));
const catchers = computed(() =>
  stackOrder(effectStore.effect).filter((o): o is ShadowCatcher => o.kind === 'shadowCatcher'),
);
const done = (): void => effectStore.endGesture();
const anglesNow = (light: Light): LightAngles => anglesOf(rotate(fromAngles(light.turn), [0, 1, 0]));
const setAngle = (light: Light, change: Partial<LightAngles>): void => {
  const turn = turnTowards(directionFrom({ ...anglesNow(light), ...change }));
  effectStore.edit(changeObject(effectStore.effect, light.id, { turn }, 'Turn'), `${light.id} direction`);
};
const turnSurroundings = (light: Light, degrees: number): void => {
  const [x, , z] = light.turn;
  effectStore.edit(
    changeObject(effectStore.effect, light.id, { turn: [x, degrees, z] }, 'Turn'),
    `${light.id} turn`,
  );
};

const found = computed(() => {
  const light = playback.cameraLight;
  if (!light) return null;
  const { side, height } = anglesOf(light.direction);
  const where = [
    height > 50 ? 'from above' : height < -20 ? 'from below' : null,
    Math.abs(side) > 120 ? 'from behind' : side > 20 ? 'from the right' : side < -20 ? 'from the left' : null,
  ].filter(Boolean);
  return {
    colour: light.colour,
    words: `${where.length > 0 ? where.join(', ') : 'from the front'}; ${
      light.brightness < 0.35 ? 'dim' : light.brightness > 0.7 ? 'bright' : 'middling'
    } (${Math.round(light.brightness * 100)} %)`,
  };
});
const match = (): void => {
  if (playback.cameraLight)
    effectStore.edit(matchLight(effectStore.effect, playback.cameraLight, newObjectId));
};
const SCREEN: Anchor = { kind: 'screen', pin: 'centre' };
const NEW: readonly LightKind[] = ['directional', 'ambient', 'point', 'surroundings'];
const face: Anchor = { kind: 'skin', face: 1, spot: [0.5, 0.5] };
const onFace = (catcher: ShadowCatcher): boolean => anchorOf(effectStore.effect, catcher).kind === 'skin';
</script>

<template>
  <section aria-label="Light">
    <h2>The camera's light</h2>
    <div v-if="found" class="found">
      <span class="swatch" :style="{ background: found.colour }" aria-hidden="true" />
      <span>{{ found.words }}</span>
      <ChipButton @click="match"><SunMedium :size="13" /> Match it</ChipButton>
    </div>
    <p class="soft">
      {{
        lights.length === 0
          ? 'Without lights of its own an effect is lit as the camera picture is. Match it to begin from there and change it by hand.'
          : 'Things are lit by the lights of the effect alone. Faces stay in the camera’s light unless a light reaches them. Match sets the first of each kind to what the picture shows at this moment.'
      }}
    </p>
    <h2>Lights of the effect</h2>
    <ul class="lights" aria-label="Lights">
      <li v-for="light in lights" :key="light.id" :class="{ on: desk.selected === light.id }">
        <header>
          <WordButton @click="desk.selected = light.id">{{ light.name }}</WordButton>
          <span v-if="light.name !== LIGHT_WORDS[light.light]" class="soft">{{
            LIGHT_WORDS[light.light]
          }}</span>
          <span class="grow" />
          <PropertyField v-if="light.light === 'directional'" :object="light" path="shadows" />
          <PropertyField
            v-if="light.light !== 'surroundings'"
            :object="light"
            path="colour"
            :label="`Colour of ${light.name}`"
          />
        </header>
        <PropertyField
          as="row"
          word="Strength"
          :object="light"
          path="strength"
          :label="`Strength of ${light.name}`"
        />
        <template v-if="light.light === 'directional'">
          <SliderField
            name="From the side"
            :label="`Side ${light.name} comes from`"
            unit="°"
            :value="anglesNow(light).side"
            :min="-180"
            :max="180"
            @change="(side) => setAngle(light, { side })"
            @done="done"
          />
          <SliderField
            name="From above"
            :label="`Height ${light.name} comes from`"
            unit="°"
            :value="anglesNow(light).height"
            :min="-89"
            :max="89"
            @change="(height) => setAngle(light, { height })"
            @done="done"
          />
        </template>
        <SliderField
          v-if="light.light === 'surroundings'"
          name="Turned"
          :label="`Turn of ${light.name}`"
          unit="°"
          :value="light.turn[1]"
          :min="-180"
          :max="180"
          @change="(v) => turnSurroundings(light, v)"
          @done="done"
        />
        <PropertyField :object="light" path="onFaces" :label="`Whether ${light.name} reaches faces`" />
      </li>
    </ul>
    <div class="chips">
      <ChipButton v-for="kind in NEW" :key="kind" @click="addNew(kind, SCREEN)">
        <Plus :size="13" /> {{ LIGHT_WORDS[kind] }}
      </ChipButton>
    </div>
    <h2>Where shadows fall</h2>
    <ul class="lights" aria-label="Shadows">
      <li v-for="catcher in catchers" :key="catcher.id" :class="{ on: desk.selected === catcher.id }">
        <header>
          <WordButton @click="desk.selected = catcher.id">{{ catcher.name }}</WordButton>
          <span class="soft">{{ onFace(catcher) ? 'on the skin of the face' : 'on a flat ground' }}</span>
        </header>
        <PropertyField
          v-for="path in ['density', 'softness']"
          :key="path"
          as="row"
          :object="catcher"
          :path="path"
          :word="path === 'density' ? 'Density' : 'Softness'"
          :label="`${path === 'density' ? 'Density' : 'Softness'} of ${catcher.name}`"
        />
      </li>
    </ul>
    <div class="chips">
      <ChipButton @click="addNew('shadowCatcher', face)"> <Plus :size="13" /> On the face </ChipButton>
      <ChipButton @click="addNew('shadowCatcher', { kind: 'world', surface: 'floor' })">
        <Plus :size="13" /> On the floor
      </ChipButton>
    </div>
  </section>
</template>

<style scoped>
section {
  --label: 102px;
}
h2:not(:first-child) {
  margin-top: 18px;
}
.found {
  display: flex;
  align-items: center;
  gap: 10px;
  margin: 4px 0;
}
.swatch {
  width: 22px;
  height: 22px;
  border: 1px solid var(--line);
  border-radius: 50%;
}
.lights {
  margin: 0;
  padding: 0;
  list-style: none;
}
.lights li {
  padding: 6px 0 8px;
  border-top: 1px solid var(--line);
}
header {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 28px;
}
header .word {
  margin: 0;
  font-size: 13px;
  font-weight: 600;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0;
}
.chip {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
input[type='color'] {
  width: 34px;
  height: 22px;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 4px;
}
</style>
