<script setup lang="ts">
/** Release: checks and budget, the listing, and the released versions with their address. */
import { computed, onMounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { CircleAlert, CircleCheck, TriangleAlert } from '@lucide/vue';
import { check, stops, type Finding } from '../../../../core/checks/checks';
import { bringIn, removeAssets } from '../../../../core/edits/asset-edits';
import { changeListing } from '../../../../core/edits/effect-edits';
import { sentence } from '../../../../core/errors';
import { tellingPictures } from '../../../../core/document/asset-uses';
import type { AssetId } from '../../../../core/document/schema';
import type { Release } from '../../../../core/contract/contract';
import { api } from '../../../api/client';
import { newAssetId } from '../../../api/ids';
import type { DropSpot } from '../../../intake/drop-spots';
import { filesOfInput, type Dropped } from '../../../intake/dropped';
import { keepDraft } from '../../../intake/keep-draft';
import { stillMaker, type StillRequest } from '../../../drawing/still-maker';
import { useStills } from '../../../drawing/use-stills';
import { useAssetsStore } from '../../../stores/assets';
import { useDeskStore } from '../../../stores/desk';
import { usePlaybackStore } from '../../../stores/playback';
import { usePrintsStore } from '../../../stores/prints';
import { useEffectStore } from '../../../stores/effect';
import { useImportsStore } from '../../../stores/imports';
import { requirementsOf } from '../../../../core/requirements/requirements';
import { trackersOf } from '../../../../core/requirements/tracker-costs';
import { findingWords, sizeWords, trackerWords } from '../../../words';
import InlineNotice from '../../common/InlineNotice.vue';
import CostBar from '../../library/CostBar.vue';
import ReleaseAddress from './ReleaseAddress.vue';
import SelectField from '../../common/SelectField.vue';
import { cutText } from '../../../../core/text';
import WordButton from '../../common/WordButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const imports = useImportsStore();
const assets = useAssetsStore();
const playback = usePlaybackStore();
const prints = usePrintsStore();
const router = useRouter();

/** What its trackers cost a viewer, each as words. */
const looksFor = computed(() => trackersOf(requirementsOf(effectStore.effect)).map(trackerWords));
const findings = computed(() => check(effectStore.effect));
const open = computed(() => stops(findings.value));
/** What may be the icon: what it is now first. */
const pictures = computed(() => {
  const { assets: all, listing: of } = effectStore.effect;
  const now = of.icon ? all[of.icon] : undefined;
  const telling = tellingPictures(effectStore.effect).filter((a) => a.id !== of.icon);
  return now?.kind === 'picture' ? [now, ...telling] : telling;
});
const listing = computed(() => effectStore.effect.listing);

/** Where on this screen a finding is mended. */
const PLACES: Partial<Record<Finding['code'], string>> = {
  'no-name': 'effect-name',
  'no-icon': 'listing-icon',
  'no-summary': 'listing-summary',
};
const go = (finding: Finding): void => {
  if ('object' in finding) desk.selected = finding.object;
  // Where drives, and so the formulas of number fields, stand.
  if (finding.code === 'formula') desk.behave.section = 'viewer';
  if (finding.code === 'circuit')
    Object.assign(desk.behave, { section: 'circuits', circuit: finding.circuit });
  if (finding.stage !== 'release')
    void router.replace({ name: 'atelier', params: { id: effectStore.id!, stage: finding.stage } });
  else {
    const place = document.getElementById(PLACES[finding.code] ?? 'listing');
    place?.scrollIntoView({ block: 'center' });
    place?.focus();
  }
};
const mend = (finding: Finding): { label: string; run: () => void } | null => {
  if (finding.code === 'no-icon')
    return { label: 'Use the picture of this moment', run: () => void useMoment() };
  if (finding.code === 'unused-asset')
    return {
      label: 'Remove it',
      run: () => effectStore.edit(removeAssets(effectStore.effect, [finding.asset])),
    };
  if (finding.code === 'too-big') return { label: 'See what takes the space', run: () => desk.openLibrary() };
  return null;
};
const ICON: DropSpot = {
  kinds: ['picture'],
  says: 'It becomes the icon.',
  put: ([picture]) => setIcon(picture!.id),
};
const setIcon = (icon: AssetId | null): void => {
  effectStore.edit(changeListing({ icon }));
};
const setTags = (tags: string[]): void => {
  effectStore.edit(
    changeListing({
      tags: [...new Set(tags.map((t) => cutText(t.trim(), 24)).filter(Boolean))].slice(0, 10),
    }),
  );
};
/** Keeps a file as a picture of the effect and makes it the icon, in one step. */
const takeIcon = async (file: Dropped): Promise<void> => {
  iconError.value = null;
  try {
    const { read } = await imports.readOne(file);
    const [draft] = read.drafts;
    if (draft?.facts.kind !== 'picture') throw new Error(`${file.path} is no picture. Choose one.`);
    const asset = await keepDraft({ ...draft, name: imports.freeAssetName(draft.name) }, newAssetId());
    const icon = asset.id;
    effectStore.edit({
      label: 'Choose an icon',
      change: (d) => {
        bringIn('', [asset]).change(d);
        changeListing({ icon }).change(d);
      },
    });
  } catch (cause) {
    iconError.value = sentence(cause);
  }
};
const chooseIcon = async (event: Event): Promise<void> => {
  const input = event.target as HTMLInputElement;
  const [file] = filesOfInput(input);
  input.value = '';
  if (file) await takeIcon(file);
};
/** The picture of this moment, small for the list and large for the icon. */
const ICON_SIDE = 512;
const still = (side: number): StillRequest => ({
  effect: effectStore.effect,
  take: playback.take,
  times: [playback.time],
  width: side,
  height: side,
  pictures: prints.images,
});
const moment = useStills(() => still(96), 400);
const drawing = ref(false);
const useMoment = async (): Promise<void> => {
  drawing.value = true;
  let url: string | null = null;
  try {
    await stillMaker(assets.source).make(
      still(ICON_SIDE),
      new AbortController().signal,
      (_, made) => (url = made),
    );
    if (url === null) throw new Error('The picture of this moment could not be drawn. Try another moment.');
    const file = new File([await (await fetch(url)).blob()], 'icon.webp', { type: 'image/webp' });
    await takeIcon({ path: file.name, file, handle: null });
  } catch (cause) {
    iconError.value = sentence(cause);
  } finally {
    if (url !== null) URL.revokeObjectURL(url);
    drawing.value = false;
  }
};
const iconError = ref<string | null>(null);

const releases = shallowRef<Release[]>([]);
const busy = ref(false);
const error = ref<string | null>(null);
const loadReleases = async (): Promise<void> => {
  try {
    releases.value = await api.releases(effectStore.id!);
  } catch (cause) {
    error.value = sentence(cause);
  }
};
onMounted(loadReleases);
const release = async (): Promise<void> => {
  busy.value = true;
  error.value = null;
  try {
    await api.release(effectStore.id!, await effectStore.flush());
    await loadReleases();
  } catch (cause) {
    error.value = sentence(cause);
  } finally {
    busy.value = false;
  }
};
const newest = computed(() => releases.value[0] ?? null);
const when = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});
</script>

<template>
  <section class="bench" aria-label="Release bench">
    <div class="row wrap">
      <h2 class="grow">Checks for Open Web</h2>
      <CostBar class="cost" />
    </div>
    <ul class="checks">
      <li v-for="(finding, i) in findings" :key="i" :data-finding="finding.code">
        <CircleAlert
          v-if="finding.severity === 'stop'"
          :size="15"
          class="bad"
          aria-label="Must be mended"
        /><TriangleAlert v-else :size="15" class="warn" aria-label="Look at this" />
        <span class="grow">{{ findingWords(effectStore.effect, finding) }}</span>
        <WordButton v-if="mend(finding)" @click="mend(finding)!.run()">
          {{ mend(finding)!.label }}
        </WordButton>
        <WordButton @click="go(finding)">Go there</WordButton>
      </li>
      <li v-if="findings.length === 0">
        <CircleCheck :size="15" class="good" /> <span>Nothing stands in the way.</span>
      </li>
    </ul>

    <p v-if="looksFor.length > 0" class="soft" data-testid="trackers">
      On a viewer’s camera it looks for {{ looksFor.join(' and for ') }}.
    </p>

    <h2 id="listing">Listing</h2>
    <label class="line"
      ><span>Summary</span
      ><a-textarea
        id="listing-summary"
        :value="listing.summary"
        :maxlength="280"
        :auto-size="{ minRows: 2, maxRows: 4 }"
        placeholder="One or two sentences: what the viewer sees and does"
        @update:value="(v: string) => effectStore.edit(changeListing({ summary: v }), 'summary')"
        @blur="effectStore.endGesture()"
    /></label>
    <label class="line"
      ><span>Tags</span
      ><SelectField
        size="middle"
        name="Tags"
        mode="tags"
        :open="false"
        :token-separators="[',', ';', '\n', '\t']"
        :value="listing.tags"
        placeholder="ocean, crown"
        :options="[]"
        @change="(v: unknown) => setTags(v as string[])"
    /></label>
    <div id="listing-icon" v-takes="ICON" class="line">
      <span>Icon</span>
      <div class="icons" role="group" aria-label="Icon">
        <button
          type="button"
          class="icon moment"
          :disabled="drawing"
          :aria-busy="drawing"
          title="The picture of this moment: choose another on the strip below"
          aria-label="Now: use the picture of this moment as icon"
          @click="useMoment"
        >
          <img v-if="moment[0]" :src="moment[0]" alt="" />
          <small>now</small>
        </button>
        <button
          v-for="asset in pictures"
          :key="asset.id"
          type="button"
          class="icon"
          :aria-pressed="listing.icon === asset.id"
          :aria-label="`Use ${asset.name} as icon`"
          @click="setIcon(asset.id)"
        >
          <img :src="api.fileUrl(asset.files[0]!.sha256)" alt="" />
        </button>
        <label class="word"
          >+ Another picture<input class="hidden-text" type="file" accept="image/*" @change="chooseIcon"
        /></label>
      </div>
    </div>
    <InlineNotice v-if="iconError" closable @close="iconError = null">{{ iconError }}</InlineNotice>

    <h2>Open Web</h2>
    <p class="soft">
      A simulated outlet: the effect gets a public address that plays on any phone or computer with a camera.
    </p>
    <InlineNotice v-if="error" closable @close="error = null">{{ error }}</InlineNotice>
    <div class="row">
      <a-button type="primary" :disabled="open.length > 0" :loading="busy" @click="release"
        >Release version {{ (newest?.version ?? 0) + 1 }}</a-button
      >
      <span v-if="open.length > 0" class="soft">{{
        open.length === 1 ? 'One check is open' : `${open.length} checks are open`
      }}</span>
    </div>
    <ReleaseAddress v-if="newest" :release="newest" />
    <ul v-if="releases.length > 1" class="versions">
      <li v-for="r in releases" :key="r.version" class="soft">
        <span class="num">version {{ r.version }}</span> {{ when.format(new Date(r.at)) }},
        {{ sizeWords(r.size) }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
.bench {
  padding: 14px 16px 32px;
  overflow: auto;
  height: 100%;
  display: grid;
  gap: 10px;
  align-content: start;
}
h2:not(:first-child) {
  margin-top: 8px;
}
.checks,
.versions {
  list-style: none;
  margin: 0;
  padding: 0;
}
.checks li {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 30px;
  border-bottom: 1px solid var(--line2);
}
.checks svg {
  flex: none;
}
.cost {
  width: 240px;
}
.good {
  color: var(--accent);
}
.line {
  display: grid;
  grid-template-columns: 72px 1fr;
  gap: 8px;
  align-items: start;
}
.line > span {
  color: var(--soft);
  padding-top: 4px;
}
.wrap {
  flex-wrap: wrap;
}
.wrap h2 {
  white-space: nowrap;
}
.icons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.icon {
  width: 48px;
  height: 48px;
  padding: 0;
  border-radius: 50%;
  border: 2px solid var(--line);
  overflow: hidden;
  background: var(--bench);
  cursor: pointer;
}
.icon[aria-pressed='true'] {
  border-color: var(--accent);
  box-shadow: 0 0 0 2px var(--wash);
}
.icon img {
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.moment {
  position: relative;
}
.moment small {
  position: absolute;
  inset: auto 0 0;
  background: #1d2327b8;
  color: #fff;
  font: 600 10px/14px var(--text);
}
.icons .word {
  cursor: pointer;
}
</style>
