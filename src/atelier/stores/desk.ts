/** What the creator is looking at; never part of the document. */
import { defineStore } from 'pinia';
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import type { Stage } from '../../core/checks/checks';
import type { GridGuess } from '../../core/assets/frames/guess-grid';
import type {
  AssetId,
  CircuitId,
  CueId,
  FaceChoice,
  MaterialId,
  ObjectId,
  SceneId,
} from '../../core/document/schema';
import type { AxesChoice } from '../../core/placing/drag';
import { chosenPeople, choosePeople } from '../../stage/chosen-people';
import type { PeopleDetail } from '../../stage/performer/person-view';

/** What handles do; `pivot` moves the point that an object turns about. */
export type PlaceMode = 'move' | 'turn' | 'size' | 'pivot';
/** Panels beside Space. */
export type PlaceTool = 'spread' | 'arrange';

/** Parts of the Behave bench. */
export type BehaveSection = 'cues' | 'circuits' | 'viewer' | 'scope';

export const BEHAVE_SECTIONS: readonly { readonly id: BehaveSection; readonly label: string }[] = [
  { id: 'cues', label: 'Cue sheet' },
  { id: 'circuits', label: 'Circuits' },
  { id: 'viewer', label: 'Controls and prompts' },
  { id: 'scope', label: 'Scope' },
];

/** Parts of the Try bench. */
export type TrySection = 'take' | 'wall' | 'devices' | 'rehearsals' | 'phones';

export const TRY_SECTIONS: readonly { readonly id: TrySection; readonly label: string }[] = [
  { id: 'take', label: 'One take' },
  { id: 'wall', label: 'Wall of takes' },
  { id: 'devices', label: 'Devices' },
  { id: 'rehearsals', label: 'Rehearsals' },
  { id: 'phones', label: 'Phones' },
];

/** Parts of the Style bench. */
export type StyleSection = 'face' | 'material' | 'circuit' | 'blend' | 'backdrop' | 'light' | 'grade';

export const STAGES: readonly { readonly name: Stage; readonly label: string }[] = [
  { name: 'place', label: 'Place' },
  { name: 'style', label: 'Style' },
  { name: 'behave', label: 'Behave' },
  { name: 'try', label: 'Try' },
  { name: 'release', label: 'Release' },
];

export type LibraryTab = 'here' | 'shelf' | 'stock';
/** What is being done in the library beside looking. */
export type LibraryTask = 'prepare' | 'rename' | 'cut' | null;

/** What is selected, and which panels stand open. */
export interface Whereabouts {
  readonly selection: readonly ObjectId[];
  readonly style: StyleSection;
  readonly behave: {
    readonly section: BehaveSection;
    readonly cue: CueId | null;
    readonly action: string | null;
    readonly circuit: CircuitId | null;
  };
}

export const useDeskStore = defineStore('desk', () => {
  /** In the order in which they were chosen; the last one is the one that is asked about. */
  const selection = shallowRef<readonly ObjectId[]>([]);
  const selected = computed<ObjectId | null>({
    get: () => selection.value.at(-1) ?? null,
    set: (id) => (selection.value = id === null ? [] : [id]),
  });
  /** The part of the selected model that was clicked, or chosen in its part tree, by its place there. */
  const part = ref<number | null>(null);
  watch(selection, () => (part.value = null), { flush: 'sync' });
  /** The object whose pivot the next click in a picture sets. */
  const pivotFor = ref<ObjectId | null>(null);
  watch(selection, () => (pivotFor.value = null), { flush: 'sync' });
  /** Adds an object to the selection, or takes it out. */
  const toggleSelected = (id: ObjectId): void => {
    selection.value = selection.value.includes(id)
      ? selection.value.filter((one) => one !== id)
      : [...selection.value, id];
  };
  /** The Viewfinder: how close its picture is, what keys ask of that, and whether it lies over the bench. */
  const finder = reactive({
    zoom: 1,
    asked: null as 'closer' | 'farther' | 'whole' | null,
    large: false,
  });
  /** Where the creator is: kept with what is done, so that undoing leads back there. */
  const whereabouts = (): Whereabouts => ({
    selection: selection.value,
    style: style.section,
    behave: { section: behave.section, cue: behave.cue, action: behave.action, circuit: behave.circuit },
  });
  const goBackTo = ({ selection: ids, style: section, behave: open }: Whereabouts): void => {
    selection.value = ids;
    style.section = section;
    Object.assign(behave, open);
  };
  const handleMode = ref<PlaceMode>('move');
  /** How handles and views behave in Place. */
  const place = reactive({
    axes: 'own' as AxesChoice,
    /** Sizes grow evenly. */
    even: true,
    snap: false,
    /** What moves snap to, in centimetres; turns snap to 15 degrees. */
    snapStep: 0.5,
    /** Hidden objects are seen in Space. */
    ghosts: true,
    /** A person and a hand beside the objects. */
    figures: false,
    measure: false,
    tool: null as PlaceTool | null,
  });
  /** What the effect is tried on. */
  const trySection = ref<TrySection>('take');
  const style = reactive({
    section: 'blend' as StyleSection,
    /** The face that make-up goes on. */
    face: 1 as FaceChoice,
    /** The two looks that are mixed, and how much of the second there is. */
    mix: { first: '', second: '', share: 0 },
    /** The material that is worked on when no object that is selected wears one. */
    material: null as MaterialId | null,
    /** Which of a model's own materials is worked on. */
    slot: 'all',
    /** The board of a circuit lies over the Stack. */
    wide: true,
    /** Left of this (0..1 of the Viewfinder) the picture is shown without its grades; null compares nothing. */
    compareLine: null as number | null,
    /** The card or model that new cutouts are laid on; null is the face itself. */
    cutOnto: null as ObjectId | null,
    /** The look is shown on other faces too. */
    otherFaces: localStorage.getItem('iconia.other-faces') !== 'hidden',
  });
  watch(
    () => style.otherFaces,
    (shown) => localStorage.setItem('iconia.other-faces', shown ? 'shown' : 'hidden'),
  );
  const behave = reactive({
    section: 'cues' as BehaveSection,
    /** The cue that is worked on, and which of its actions stands open. */
    cue: null as CueId | null,
    action: null as string | null,
    /** The cue that was just added: what sets it off is asked first. */
    fresh: null as CueId | null,
    /** The circuit whose board is open, and whether that lies over the Stack. */
    circuit: null as CircuitId | null,
    wide: false,
    /** Ready-made cues are offered. */
    recipes: false,
  });
  /** How many cues are ready to be pasted. */
  const copiedCues = ref(localStorage.getItem('iconia-cues') === null ? 0 : 1);
  /** A beat is ready to be pasted. */
  const copiedBeat = ref(localStorage.getItem('iconia-beat') !== null);
  /** Only these are drawn and picked; null is all. */
  const isolated = shallowRef<ReadonlySet<ObjectId> | null>(null);
  /** The scene that is worked on; null is the opening scene. */
  const scene = ref<SceneId | null>(null);
  /** The stage of work on screen. */
  const stage = ref<Stage>('place');
  watch(stage, () => (pivotFor.value = null), { flush: 'sync' });
  const paletteOpen = ref(false);
  const dark = ref(localStorage.getItem('iconia.theme') === 'dark');
  watch(
    dark,
    (on) => {
      document.documentElement.dataset.theme = on ? 'dark' : 'light';
      localStorage.setItem('iconia.theme', on ? 'dark' : 'light');
    },
    { immediate: true },
  );

  /** People on takes are drawn as plain figures: for machines that draw slowly. */
  const plainPeople = ref(chosenPeople() === 'plain');
  watch(plainPeople, () => choosePeople(people.value));
  const people = computed<PeopleDetail>(() => (plainPeople.value ? 'plain' : 'full'));

  const library = reactive({
    open: false,
    tab: 'here' as LibraryTab,
    selected: [] as AssetId[],
    task: null as LibraryTask,
    /** The object from whose field the library was opened: one click leads back. */
    from: null as ObjectId | null,
    /** What was guessed about a sheet, for the cutter. */
    guess: null as GridGuess | null,
  });
  const openLibrary = (
    to: {
      tab?: LibraryTab;
      asset?: AssetId | null;
      from?: ObjectId | null;
      task?: LibraryTask;
      guess?: GridGuess | null;
    } = {},
  ): void => {
    library.open = true;
    library.tab = to.tab ?? 'here';
    library.selected = to.asset ? [to.asset] : [];
    library.from = to.from ?? null;
    library.task = to.task ?? null;
    library.guess = to.guess ?? null;
  };
  const closeLibrary = (): void => {
    library.open = false;
    library.task = null;
  };
  return {
    selection,
    part,
    pivotFor,
    selected,
    toggleSelected,
    whereabouts,
    goBackTo,
    finder,
    handleMode,
    place,
    style,
    behave,
    copiedCues,
    copiedBeat,
    isolated,
    scene,
    stage,
    paletteOpen,
    dark,
    plainPeople,
    people,
    trySection,
    library,
    openLibrary,
    closeLibrary,
  };
});
