/**
 * Documents of older schemas are brought up step by step: `MIGRATIONS[n]` turns schema n into n + 1.
 * Fixtures of every old schema stay in `fixtures/` and are opened by the tests.
 */
import { z } from 'zod';
import { IconiaError } from '../errors';
import { effectSchema, SCHEMA_VERSION, type Effect } from './schema';

type Json = Record<string, unknown>;

const mapped = (map: unknown, change: (entry: Json) => Json): Json =>
  Object.fromEntries(
    Object.entries((map ?? {}) as Record<string, Json>).map(([id, entry]) => [id, change(entry)]),
  );

const NEW_IN_4 = {
  scene: null,
  locked: false,
  sample: false,
  pivot: [0, 0, 0],
  lookAt: null,
  depthTest: true,
  touchArea: null,
  byViewer: null,
};

const NEW_IN_7 = {
  region: 'face',
  mask: null,
  softness: 0,
  startDelay: 0,
  finish: 'painted',
  shine: 1,
  maskedBy: null,
  maskedOut: false,
  coversEyes: true,
  coversMouth: true,
  givesWay: true,
};

const MIGRATIONS: Record<number, (old: Json) => Json> = {
  // Schema 1 named the trigger alone; schema 2 gives it the threshold it fires at.
  1: (old) => ({
    ...old,
    schema: 2,
    cues: mapped(old.cues, (cue) =>
      typeof cue.trigger === 'string' ? { ...cue, trigger: { kind: cue.trigger, threshold: 0.4 } } : cue,
    ),
  }),
  // Schema 2 knew pictures of one file only, and no groups.
  2: (old) => ({
    ...old,
    schema: 3,
    objects: mapped(old.objects, (object) => ({ ...object, parent: null })),
    assets: mapped(old.assets, ({ sha256, mime, bytes, ...asset }) => ({
      ...asset,
      files: [{ sha256, mime, bytes }],
      original: null,
      preview: null,
      from: null,
      prep: null,
      layer: null,
    })),
  }),
  // Schema 3 knew heads only, turned about the origin, and one scene.
  3: (old) => ({
    ...old,
    schema: 4,
    scenes: {},
    openingScene: null,
    targets: {},
    objects: mapped(old.objects, (object) => ({
      ...object,
      ...NEW_IN_4,
      // Cards and groups lay over each other by their order; models hid each other by depth.
      depthWrite: object.kind === 'model' || object.kind === 'occluder',
      anchor: { ...(object.anchor as Json), grows: false },
      ...(object.kind === 'card' ? { startDelay: 0 } : {}),
      ...(object.kind === 'model' ? { startDelay: 0, hiddenParts: [] } : {}),
      ...(object.kind === 'occluder' ? { asset: null } : {}),
    })),
  }),
  // Schema 4 cut people out as they came, cards lay where they were placed, and lit things only covered.
  4: (old) => ({
    ...old,
    schema: 5,
    backdrop: { feather: 0, grow: 0, invert: false, spill: 0 },
    objects: mapped(old.objects, (object) => ({
      ...object,
      ...(object.kind === 'card' ? { fit: 'free' } : {}),
      ...(object.kind === 'model' || object.kind === 'solid' ? { blend: 'normal' } : {}),
    })),
  }),
  // Schema 5 had colours and no materials.
  5: (old) => ({
    ...old,
    schema: 6,
    materials: {},
    objects: mapped(old.objects, (object) => ({
      ...object,
      ...(object.kind === 'card' || object.kind === 'fill' || object.kind === 'solid'
        ? { material: null }
        : {}),
      ...(object.kind === 'model' ? { materials: {} } : {}),
    })),
  }),
  // In schema 6 a face layer was a picture over the whole face, eyes and mouth included.
  6: (old) => ({
    ...old,
    schema: 7,
    looks: {},
    objects: mapped(old.objects, (object) => ({ ...object, ...(object.kind === 'layer' ? NEW_IN_7 : {}) })),
  }),
  // Schema 8 brought face morphs and cutouts; what was there stays as it is.
  7: (old) => ({ ...old, schema: 8 }),
  // Schema 9 brought several triggers, conditions and targets, beats that begin early, fountains, controls and prompts.
  8: (old) => ({
    ...old,
    schema: 9,
    cues: mapped(old.cues, (cue) => cueIn9(cue)),
    variables: {},
    controls: {},
    prompts: {},
    drives: {},
  }),
  // In schema 9 new things went to the face, whatever the effect was begun for.
  // Its cards all played by themselves. Its sliders showed a value where they had a unit, and never their names.
  9: (old) => ({
    ...old,
    schema: 10,
    ground: null,
    objects: mapped(old.objects, (object) => (object.kind === 'card' ? { ...object, runs: true } : object)),
    controls: mapped(old.controls, (control) =>
      control.kind === 'slider'
        ? { ...control, lowText: '', highText: '', showsName: false, showsValue: control.unit !== '' }
        : control,
    ),
  }),
  // Until schema 10 nobody had measured the parts of models, occluders were heads without hair and neck, and a drive drove one object.
  10: (old) => ({
    ...old,
    schema: 11,
    drives: mapped(old.drives, (drive) => ({ ...drive, to: drivenIn11(drive.to as Json) })),
    objects: mapped(old.objects, (object) =>
      object.kind === 'occluder' ? { ...object, hair: false, neck: false } : object,
    ),
    assets: mapped(old.assets, (asset) =>
      asset.kind === 'model' ? { ...asset, tree: null, likely: null, prep: prepIn11(asset.prep) } : asset,
    ),
  }),
  // Effects of schema 11 always asked for what they did not see.
  11: (old) => ({ ...old, schema: 12, asks: true }),
  // Schema 12 knew circuits of surfaces only.
  12: (old) => ({ ...old, schema: 13, circuits: {} }),
  // Formulas among signals and nodes.
  13: (old) => ({ ...old, schema: 14 }),
  // Scripts and compounds.
  14: (old) => ({ ...old, schema: 15, compounds: {} }),
  // Schema 15 had nothing on boards but nodes.
  15: (old) => ({
    ...old,
    schema: 16,
    circuits: mapped(old.circuits, (circuit) => ({ ...circuit, notes: {} })),
    compounds: mapped(old.compounds, (compound) => ({ ...compound, notes: {} })),
  }),
  // Until schema 16 only layers blended, and were limited by each other.
  16: (old) => ({
    ...old,
    schema: 17,
    objects: mapped(old.objects, wornIn17),
    looks: mapped(old.looks, (look) => ({ ...look, extras: ((look.extras ?? []) as Json[]).map(wornIn17) })),
  }),
  // Until schema 17 no face wore materials, no light of an effect reached one, morphs had two strengths, and dyed hair one tone.
  17: (old) => ({
    ...old,
    schema: 18,
    objects: mapped(old.objects, (object) => {
      if (object.kind === 'hair') return hairIn18(object);
      if (object.kind === 'light') return { ...object, onFaces: 'no' };
      if (object.kind === 'layer') return { ...object, material: null };
      return object.kind === 'morph' ? morphIn18(object, [old.cues, old.drives, old.circuits]) : object;
    }),
    looks: mapped(old.looks, (look) => ({
      ...look,
      layers: ((look.layers ?? []) as Json[]).map((layer) => ({ ...layer, material: null })),
      extras: ((look.extras ?? []) as Json[]).map((extra) =>
        extra.kind === 'hair' ? hairIn18(extra) : extra,
      ),
    })),
  }),
  // Schema 18 dyed all hair of a head or none.
  18: (old) => ({
    ...old,
    schema: 19,
    objects: mapped(old.objects, hairIn19),
    looks: mapped(old.looks, (look) => ({
      ...look,
      extras: ((look.extras ?? []) as Json[]).map(hairIn19),
    })),
  }),
  // What viewers do was kept in browsers only, and nothing was rehearsed.
  19: (old) => ({ ...old, schema: 20, performances: {}, rehearsals: {} }),
  // Prompts stood near the top.
  20: (old) => ({
    ...old,
    schema: 21,
    prompts: Object.fromEntries(
      Object.entries((old.prompts ?? {}) as Record<string, Json>).map(([id, prompt]) => [
        id,
        { ...prompt, place: 'top' },
      ]),
    ),
  }),
};

/** All hair of a head was dyed. */
const hairIn19 = (one: Json): Json =>
  one.kind === 'hair' ? { ...one, part: 'all', edge: 0.3, mask: null } : one;

/** Hair had one tone. */
const hairIn18 = (hair: Json): Json => ({ ...hair, tips: hair.tint, tipsReach: 0, streaks: 0 });

/** Whatever changes a morph goes on doing so; else both strengths become one. */
function morphIn18(morph: Json, behaviour: readonly unknown[]): Json {
  const { amount, opacity } = morph as { amount: number; opacity: number };
  const isChanged = JSON.stringify(behaviour).includes(`"${String(morph.id)}"`);
  return {
    ...morph,
    material: null,
    // The skin was as light as the camera saw it.
    relief: 0,
    ...(isChanged ? {} : { amount: Math.min(2, Math.max(-1, amount * opacity)), opacity: 1 }),
  };
}

/** Irises, lashes and dyed hair blend; what lies on the eyes is left out as layers are. */
function wornIn17(object: Json): Json {
  if (object.kind === 'hair') return { ...object, blend: 'normal' };
  if (object.kind !== 'iris' && object.kind !== 'lashes') return object;
  return { ...object, blend: 'normal', maskedBy: null, maskedOut: false, givesWay: true };
}

/** Until schema 10 everything that was fitted to a head was fitted as a crown. */
const prepIn11 = (prep: unknown): unknown => {
  const size = (prep as { size?: Json } | null)?.size;
  return size?.kind === 'head' ? { ...(prep as Json), size: { ...size, as: 'crown' } } : prep;
};
const drivenIn11 = ({ object, ...to }: Json): Json =>
  to.kind === 'number' ? { ...to, objects: object ? [object] : [] } : { ...to };

/** In schema 8 a cue had one trigger with a threshold, and an action one target. */
function cueIn9({ trigger, beats, ...cue }: Json): Json {
  return {
    ...cue,
    group: '',
    note: '',
    colour: null,
    triggers: [triggerIn9(trigger as { kind: string; threshold: number })],
    conditions: [],
    match: 'all',
    fires: 'each',
    cooldown: 0,
    again: 'restart',
    resets: [],
    beats: (beats as Json[]).map(({ actions, ...beat }) => ({
      ...beat,
      name: '',
      begins: 1,
      enabled: true,
      actions: (actions as Json[]).map(({ target, ...action }) => ({
        ...action,
        targets: target === null ? [] : [target],
        after: 'stay',
        vary: null,
        ...(action.kind === 'move' ? { axes: 'parent' } : {}),
        ...(action.kind === 'turn' ? { axes: 'parent', way: 'typed' } : {}),
      })),
    })),
  };
}
/** A signal that had gone over the threshold was back at 70 % of it. */
function triggerIn9({ kind, threshold }: { kind: string; threshold: number }): Json {
  if (kind === 'screenTapped') return { kind: 'screen', gesture: 'tap' };
  if (kind === 'effectStarts') return { kind };
  const falls = kind === 'mouthCloses' || kind === 'lipsRelax';
  const name = kind.startsWith('mouth') ? 'jawOpen' : 'mouthPucker';
  return {
    kind: 'level',
    signal: { kind: 'expression', face: 1, name },
    when: falls ? 'falls' : 'rises',
    level: falls ? threshold * 0.7 : threshold,
    slack: threshold * 0.3,
    hold: 0,
  };
}

/** Where in the document a schema problem lies, and what it is: "objects.obj_1.opacity: Too big". */
export const describeIssues = (error: z.ZodError): string =>
  error.issues
    .slice(0, 3)
    .map((issue) => `${issue.path.join('.') || 'document'}: ${issue.message}`)
    .join('; ');

/** A document of a known schema, brought up to this one; it need not be whole. Throws `IconiaError` `effect.unreadable`. */
export const broughtUp = (json: Json): Json => {
  let current = json;
  while ((current.schema as number) < SCHEMA_VERSION) {
    const migrate = MIGRATIONS[current.schema as number];
    if (!migrate) throw new IconiaError('effect.unreadable', `Schema ${current.schema} is not known.`);
    current = migrate(current);
  }
  return current;
};

/**
 * Reads any known version of the document.
 * Throws `IconiaError`: `effect.too-new`, `effect.unreadable`.
 */
export const readEffect = (json: unknown): Effect => {
  if (typeof json !== 'object' || json === null || typeof (json as Json).schema !== 'number')
    throw new IconiaError('effect.unreadable', 'This is not an Iconia effect: it has no schema number.');
  const current = json as Json;
  if ((current.schema as number) > SCHEMA_VERSION)
    throw new IconiaError(
      'effect.too-new',
      `This effect was made with a newer Iconia (schema ${current.schema}; this one reads up to ${SCHEMA_VERSION}). Update Iconia to open it.`,
    );
  const parsed = effectSchema.safeParse(broughtUp(current));
  if (!parsed.success)
    throw new IconiaError(
      'effect.unreadable',
      `The effect does not hold together: ${describeIssues(parsed.error)}`,
      {
        cause: parsed.error,
      },
    );
  return parsed.data as Effect;
};
