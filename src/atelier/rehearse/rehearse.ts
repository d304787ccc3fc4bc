/** Plays rehearsals on their takes, one after the other in one hidden stage, and judges what comes. Behaviour is run in workers. */
import { type Chronicle } from '../../core/behave/chronicle';
import type { Recorded } from '../../core/behave/recorded';
import type { Effect, Rehearsal } from '../../core/document/schema';
import { sentence } from '../../core/errors';
import { judge, signalsOf, type RehearsalNames, type Verdict } from '../../core/rehearse/judge';
import type { Outcome } from '../../core/rehearse/outcome';
import { requirementsOf } from '../../core/requirements/requirements';
import { withoutLandmarks } from '../../core/takes/clip';
import type { Take } from '../../core/takes/take';
import { STEP, type Seconds } from '../../core/units';
import { ALL_ABILITIES } from '../../stage/abilities/all';
import { createStores, keepOnly, loadUsed } from '../../stage/effect/stores';
import type { FileSource } from '../../stage/effect/texture-store';
import { makePeople } from '../../stage/performer/people-maker';
import { scriptsFor } from '../../stage/script-engine';
import { Stage } from '../../stage/stage';
import { TakePicture } from '../../stage/take-picture';
import { TakeSight } from '../../stage/take-sight';
import { pictureKeys } from '../../tracker/camera-needs';
import { askOnce } from '../chronicle/ask-once';
import { clipPictureOf } from '../takes/clip-store';
import { printedTake } from '../takes/printed-take';
import { readColours, type TakeLook } from '../takes/read-colours';
import { partName } from '../device-words';
import { conditionWords, cueName, namesIn, objectName, valueWords } from '../behave-words';

export interface Still {
  readonly time: Seconds;
  readonly picture: Blob;
}
/** What came of one rehearsal on one take, with what shows it. */
export interface Played extends Outcome {
  readonly rehearsalId: string;
  readonly takeId: string;
  readonly stills: readonly Still[];
  /** What it measured, a line a signal; null where it could not be played. */
  readonly chronicle: Chronicle | null;
}

export interface RehearsalsToPlay {
  readonly effect: Effect;
  readonly rehearsals: readonly Rehearsal[];
  /** Null for one that is gone. */
  readonly takeOf: (id: string) => Take | null;
  readonly look: TakeLook;
  readonly source: FileSource;
  readonly signal: AbortSignal;
  readonly onPlayed: (played: Played) => void;
  /** Before each: how many are done, of how many, and which is next. */
  readonly onNext?: (done: number, all: number, name: string) => void;
  /** Before each picture: gives whoever else draws a turn. */
  readonly pause?: () => Promise<void>;
}

const STILL = { width: 90, height: 160 } as const;
/** Pictures of a filmstrip that are evenly spread; moments that failed come to them. */
const STILLS = 7;

const namesOf = (effect: Effect): RehearsalNames => ({
  object: (id) => objectName(effect, id),
  cue: (id) => cueName(effect, id),
  condition: (condition) => conditionWords(effect, condition),
  value: (signal, value) => valueWords(signal, value, namesIn(effect)),
  part: (part) => partName(part, effect),
});

const NO_TAKE = '';
/** Why a rehearsal cannot be played on a take; null when it can. */
const whyNot = (rehearsal: Rehearsal, takeId: string, take: Take | null): string | null => {
  if (takeId === NO_TAKE) return 'It is played on no take. Choose one, or several.';
  if (!take) return 'This take is gone. Take it out of the rehearsal, or choose another one.';
  // It would pass whatever came.
  if (rehearsal.expectations.length === 0) return 'Nothing is expected of it. Add what has to happen.';
  return null;
};

const momentsFor = (duration: Seconds, verdicts: readonly Verdict[]): Seconds[] => {
  const last = Math.max(0, duration - STEP);
  const even = Array.from({ length: STILLS }, (_, i) => (last * i) / (STILLS - 1));
  const failed = verdicts.flatMap((v) => (v.passed ? [] : [Math.min(v.at, last)]));
  return [...new Set([...even, ...failed].map((t) => Math.round(t * 100) / 100))].sort((a, b) => a - b);
};

/** What the viewer does in a rehearsal; nothing where it plays no performance. */
export const recordsOf = (effect: Effect, { performance }: Rehearsal): readonly Recorded[] =>
  (performance && effect.performances[performance]?.records) || [];

/** Every rehearsal on every one of its takes. Stops between two pictures when the signal says so. */
export const playRehearsals = async (work: RehearsalsToPlay): Promise<void> => {
  const { effect, rehearsals, takeOf, look, source, signal, onPlayed, onNext, pause } = work;
  const stores = createStores(source);
  const stage = new Stage(document.createElement('canvas'), stores, ALL_ABILITIES, { keepPixels: true });
  // One that names no take is told of once.
  const all = rehearsals.flatMap((rehearsal) =>
    (rehearsal.takes.length > 0 ? rehearsal.takes : [NO_TAKE]).map((takeId) => ({ rehearsal, takeId })),
  );
  const aspects = look.pictures.map(({ aspect }) => aspect);
  const nextTurn = async (): Promise<void> => {
    signal.throwIfAborted();
    await pause?.();
    signal.throwIfAborted();
  };

  const playOn = async (
    rehearsal: Rehearsal,
    take: Take,
  ): Promise<Omit<Played, 'rehearsal' | 'take' | 'took'>> => {
    const recorded = recordsOf(effect, rehearsal);
    const signals = signalsOf(rehearsal.expectations);
    const scripts = await scriptsFor(effect);
    const colours = requirementsOf(effect).colours ? await readColours(take, look, { signal }) : null;
    const chronicle = await askOnce(
      {
        effect,
        take: take.spec,
        clip: take.clip && { of: withoutLandmarks(take.clip), pictures: pictureKeys(effect) },
        pictureAspects: aspects,
        told: { signals, recorded, colours },
      },
      signal,
    );
    if (look.people === 'full' && !take.clip) await makePeople(take.performers);
    const picture = take.clip
      ? clipPictureOf(take.clip)
      : new TakePicture(take, { people: look.people, pictures: look.pictures });
    try {
      const played = { recorded, scripts, colours };
      const sight = new TakeSight({ stage, effect, take, picture, played, pause: nextTurn });
      const { duration } = take;
      const rehearsed = {
        effect,
        take: take.id,
        duration,
        chronicle,
        signals,
        sight,
        names: namesOf(effect),
      };
      const verdicts: Verdict[] = [];
      for (const expected of rehearsal.expectations) verdicts.push(await judge(expected, rehearsed));
      const stills: Still[] = [];
      for (const time of momentsFor(duration, verdicts))
        stills.push({ time, picture: await sight.still(time, STILL) });
      return { rehearsalId: rehearsal.id, takeId: take.id, verdicts, stills, chronicle, trouble: null };
    } finally {
      picture.dispose();
    }
  };

  try {
    await loadUsed(stores, effect);
    for (const [i, { rehearsal, takeId }] of all.entries()) {
      const take = takeOf(takeId);
      const names = { rehearsal: rehearsal.name, take: take?.name ?? (takeId || 'no take') };
      onNext?.(i, all.length, `${names.rehearsal}, ${names.take}`);
      await nextTurn();
      const began = performance.now();
      const broken = (trouble: string) => ({
        rehearsalId: rehearsal.id,
        takeId,
        verdicts: [],
        stills: [],
        chronicle: null,
        trouble,
      });
      const trouble = whyNot(rehearsal, takeId, take);
      const played =
        take && trouble === null
          ? await playOn(rehearsal, printedTake(take, aspects, pictureKeys(effect))).catch(
              (cause: unknown) => {
                signal.throwIfAborted();
                return broken(sentence(cause));
              },
            )
          : broken(trouble!);
      onPlayed({ ...names, ...played, took: (performance.now() - began) / 1000 });
    }
    onNext?.(all.length, all.length, '');
  } finally {
    stage.dispose();
    keepOnly(stores, new Set());
  }
};
