/**
 * The one runtime for behaviour. It holds no clock and no chance: the same program, frames and inputs give
 * the same values, so a take can be scrubbed both ways.
 *
 *   const runtime = new Runtime(compile(effect));
 *   runtime.step(frame, inputs);          // one sixtieth of a second
 *   runtime.values(0).visible             // the first object's state now
 *   const saved = runtime.save();         // plain data; restore(saved) goes on exactly from there
 *
 * Who wins when several things write one property: in one step cues act in the order of the sheet, so the lower one does; what a
 * cue has left behind stays until another writes it. Over all of that lie what shakes, sways and bounces (they add up), and over
 * everything what is driven.
 */
import type {
  Action,
  CueId,
  Drive,
  Effect,
  EffectObject,
  Fountain,
  PromptId,
  SceneId,
  ViewerEvent,
} from '../document/schema';
import { add } from '../maths/vec3';
import { anchorPlaces, type Here } from '../placing/anchors';
import { Handling, type HandlingState } from '../placing/handling';
import type { ByHand } from '../placing/local';
import { placesOf, type ObjectPlaces, type StateNow } from '../placing/places';
import { nextPresence, facesBySlot, NOBODY, type Presence } from '../placing/presence';
import { reshaped } from '../placing/reshape';
import { viewOf } from '../placing/touch';
import type { TrackFrame } from '../tracking/track-frame';
import { STEP } from '../units';
import { worldOf, type World } from './acting';
import { putBack } from './put-back';
import type { Program } from './program';
import {
  copiedCueState,
  restingCue,
  startCue,
  stepCue,
  stopCue,
  turnBack,
  type CueState,
  type Work,
} from './cue-run';
import { Driving, type DriveValues } from './driving';
import { firstValues } from './first-values';
import { Fountains, type FountainsState } from './fountains';
import { Hearing, type HearingState } from './hearing';
import { NO_INPUTS, type Inputs } from './inputs';
import { nextMedia } from './media';
import { readNumber, writeNumber } from './numbers';
import { ObjectsNow, objectAs } from './object-now';
import { nextPrompts, restingPrompts, type PromptState } from './prompts';
import { holds, signalNow, type Instant, type Readable, type Signal, type SpeedMemory } from './signals';
import type { Values } from './values';
import { nextWatch, type Happened } from './watch/watching';
import type { Firing, Refusal, Witness } from './witness';

export interface Snapshot {
  readonly step: number;
  readonly values: Values[];
  readonly finals: (Values | null)[];
  readonly cues: CueState[];
  readonly presence: Presence;
  readonly hands: HandlingState;
  readonly scene: SceneId | null;
  readonly variables: number[];
  readonly controls: number[];
  readonly prompts: PromptState[];
  readonly hearing: HearingState;
  readonly drives: DriveValues;
  readonly memory: SpeedMemory;
  readonly began: readonly number[];
  readonly ended: readonly number[];
  readonly changed: readonly string[];
  readonly orders: readonly Order[];
  readonly fountains: FountainsState;
}

/** What one cue bids another, or a prompt; it is done in the next step, so that no circle of cues can hang. */
interface Order {
  readonly kind: 'start' | 'stop' | 'show' | 'hide';
  readonly id: string;
}

export interface RuntimeOptions {
  /** Begins elsewhere than at the opening scene, for working on one. */
  readonly scene?: SceneId | null;
  /** Without particles, for whoever does not draw: they change nothing else. */
  readonly fountains?: boolean;
  /** Only this cue fires, at once: to see it by itself. */
  readonly only?: CueId | null;
  readonly witness?: Witness | null;
}

const controlStart = (control: Program['controls'][number]): number => {
  if (control.kind === 'slider' || control.kind === 'choice') return control.start;
  return control.kind === 'switch' && control.start ? 1 : 0;
};

export class Runtime implements StateNow, Readable {
  private stepCount = 0;
  /** What cues have made of the objects... */
  private readonly state: Values[];
  /** ...and what lies over that now; null where nothing does. */
  private finals: (Values | null)[];
  private cues: CueState[];
  private there: Presence = NOBODY;
  private readonly hands: Handling;
  private readonly hearing: Hearing;
  private readonly particles: Fountains | null;
  private readonly objects = new ObjectsNow();
  private sceneNow: SceneId | null;
  private variables: number[];
  private controls: number[];
  private promptStates: PromptState[];
  private readonly driving: Driving;
  private memory: SpeedMemory = {};
  private began: readonly number[] = [];
  private ended: readonly number[] = [];
  private changed: readonly string[] = [];
  private orders: readonly Order[] = [];
  private readonly only: CueId | null;
  private readonly witness: Witness | null;
  /** Of this step: where everything is, found when it is first asked for. */
  private found: { readonly here: Here; places: readonly ObjectPlaces[] | null } | null = null;
  private heard: Inputs = NO_INPUTS;

  constructor(
    private readonly program: Program,
    { scene = null, fountains = true, only = null, witness = null }: RuntimeOptions = {},
  ) {
    const { effect } = program;
    this.hands = new Handling(program);
    this.hearing = new Hearing(program);
    this.driving = new Driving(program);
    this.particles = fountains && program.fountains.length > 0 ? new Fountains() : null;
    this.sceneNow = scene !== null && effect.scenes[scene] ? scene : program.openingScene;
    this.state = program.objects.map((o) => firstValues(effect, o));
    this.finals = program.objects.map(() => null);
    this.cues = program.cues.map(restingCue);
    this.variables = program.variables.map((v) => v.start);
    this.controls = program.controls.map(controlStart);
    this.promptStates = restingPrompts(program);
    this.only = only;
    this.witness = witness;
  }

  /** Steps taken so far. */
  get steps(): number {
    return this.stepCount;
  }
  /** The state of object `i` of the program. Do not keep or change it. */
  values(i: number): Readonly<Values> {
    return this.finals[i] ?? this.state[i]!;
  }
  /** Object `i` as it is now: the same as in the document as long as nothing of it has changed. */
  objectNow(i: number): EffectObject {
    return this.objects.at(i, this.program.objects[i]!, this.values(i));
  }
  /** The effect as it is now: with what drives its circuits. The same one while nothing of that changes. */
  effectNow(): Effect {
    return this.driving.effectNow();
  }
  /** The particles of object `i`; null when there are none. */
  particlesOf(i: number) {
    return this.particles?.of(i) ?? null;
  }
  /** Faces, pictures and surfaces as the last step left them. */
  get presence(): Presence {
    return this.there;
  }
  get scene(): SceneId | null {
    return this.sceneNow;
  }
  /** Whether cue `i` of the program has fired and has not come to its end. */
  isAtWork(i: number): boolean {
    return this.cues[i]!.firedAt !== null;
  }
  progress(i: number): number {
    return this.cues[i]!.progress;
  }
  times(i: number): number {
    return this.cues[i]!.times;
  }
  control(id: string): number {
    const i = this.program.controls.findIndex((c) => c.id === id);
    return this.controls[i] ?? NaN;
  }
  variable(id: string): number {
    const i = this.program.variables.findIndex((v) => v.id === id);
    return this.variables[i] ?? NaN;
  }
  /** The prompt that is to be read now: the last one shown; null for none. */
  get prompt(): PromptId | null {
    let best: PromptId | null = null;
    let since = -1;
    this.promptStates.forEach((state, i) => {
      if (state.shownAt === null || state.shownAt < since) return;
      since = state.shownAt;
      best = this.program.prompts[i]!.id;
    });
    return best;
  }
  /** What the viewer did to object `i`; null when nothing. */
  byHand(i: number): ByHand | null {
    return this.hands.of(i);
  }
  /** Where everything was before this step; after it, where it is. */
  places(): readonly ObjectPlaces[] {
    const found = this.found;
    if (!found) return [];
    return (found.places ??= placesOf(this.program, this, found.here));
  }
  /** A signal as the last step left it. `memory` is of whoever asks again and again. */
  signal(signal: Signal, frame: TrackFrame, memory: SpeedMemory): number {
    const step = this.stepCount - 1;
    return signalNow(signal, { step, program: this.program, now: this, frame, inputs: this.heard, memory });
  }

  /** Runs one step and tells which cues fired in it. */
  step(frame: TrackFrame, inputs: Inputs = NO_INPUTS): Firing[] {
    const { program } = this;
    const fired: Firing[] = [];
    this.heard = inputs;
    this.there = nextPresence(this.there, frame, program.targets);
    const aspect = viewOf(frame, inputs.view).aspect;
    const here = reshaped(program, this, { frame, presence: this.there, targets: program.targets, aspect });
    this.found = { here, places: null };
    // Before anything moves: what asks where things are is told where the step before left them, whatever its place in the sheet.
    if (program.wantsPlaces) this.places();
    const holding = this.hands.holds;
    this.hands.step(frame, inputs, this);
    for (const { control, value } of inputs.controls ?? []) {
      const i = program.controls.findIndex((c) => c.id === control);
      if (i >= 0 && Number.isFinite(value)) this.controls[i] = value;
    }
    const at: Instant = { step: this.stepCount, program, now: this, frame, inputs, memory: this.memory };
    const happened: Happened = {
      ...this.hearing.step(at, here),
      events: (inputs.events ?? []) as readonly ViewerEvent[],
      controls: new Set(inputs.controls?.map((c) => c.control)),
      placed: this.letGo(holding),
      variables: new Set(this.changed) as never,
      began: new Set(this.began),
      ended: new Set(this.ended),
    };
    const orders = this.orders;
    this.orders = [];
    this.changed = [];
    const began: number[] = [];
    const ended: number[] = [];
    program.cues.forEach((cue, i) => {
      const state = this.cues[i]!;
      if (this.resets(i, at, happened)) this.putBack(i);
      const triggered = this.triggered(i, at, happened);
      for (const { kind, id } of orders)
        if (id === cue.id && kind === 'stop') stopCue(cue, state, program, this.state);
      const bidden = orders.some((o) => o.kind === 'start' && o.id === cue.id);
      const go = bidden || (this.only === cue.id && this.stepCount === 0) || (triggered && this.may(i, at));
      if (!go) return;
      const back = this.fire(i);
      began.push(i);
      fired.push({ cue: cue.id, time: this.stepCount * STEP, ...(back ? { back } : {}) });
    });
    let working: CueId | null = null;
    const work = this.work(frame, () => working!);
    program.cues.forEach((cue, i) => {
      working = cue.id;
      if (stepCue(cue, this.cues[i]!, work)) ended.push(i);
    });
    this.began = began;
    this.ended = ended;
    for (const values of this.state) nextMedia(values);
    this.promptStates = nextPrompts(program, this.promptStates, at, happened, orders);
    this.finish(at, work);
    this.stepCount++;
    return fired;
  }

  private triggered(i: number, at: Instant, happened: Happened): boolean {
    const { cue } = this.program.cues[i]!;
    const state = this.cues[i]!;
    let any = false;
    cue.triggers.forEach((trigger, t) => {
      const next = nextWatch(trigger, state.watches[t]!, at, happened);
      state.watches[t] = next.state;
      any ||= next.fired;
    });
    return any;
  }

  private resets(i: number, at: Instant, happened: Happened): boolean {
    const { cue } = this.program.cues[i]!;
    const state = this.cues[i]!;
    let any = false;
    cue.resets.forEach((trigger, t) => {
      const next = nextWatch(trigger, state.resets[t]!, at, happened);
      state.resets[t] = next.state;
      any ||= next.fired;
    });
    return any;
  }

  /** Whether a cue that is set off may fire. */
  private may(i: number, at: Instant): boolean {
    if (this.only !== null) return false;
    const why = this.refusal(i, at);
    if (why) this.witness?.refused(this.program.cues[i]!.id, why, this.stepCount * STEP);
    return why === null;
  }

  private refusal(i: number, at: Instant): Refusal | null {
    const { cue } = this.program.cues[i]!;
    const state = this.cues[i]!;
    if (cue.fires === 'once' && state.times > 0) return { code: 'once' };
    if (cue.again === 'ignore' && state.firedAt !== null) return { code: 'busy' };
    if (state.lastFired !== null && (this.stepCount - state.lastFired) * STEP + 1e-9 < cue.cooldown)
      return { code: 'cooldown' };
    if (cue.conditions.length === 0) return null;
    const failed = cue.conditions.findIndex((c) => !holds(c, at));
    if (cue.match === 'any' ? cue.conditions.some((c) => holds(c, at)) : failed < 0) return null;
    const value = signalNow(cue.conditions[failed]!.signal, at);
    return { code: 'condition', index: failed, value: Number.isNaN(value) ? null : value };
  }

  /** True when it goes back to how things were. */
  private fire(i: number): boolean {
    const compiled = this.program.cues[i]!;
    const state = this.cues[i]!;
    const back = compiled.cue.fires === 'toggle' && state.out;
    state.times++;
    state.lastFired = this.stepCount;
    if (back) {
      this.tellAll(i, 'turnsBack');
      turnBack(compiled, state, this.state, this.stepCount);
    } else startCue(compiled, state, this.program, this.state, this.stepCount);
    return back;
  }

  /** Stops a cue and puts what it has changed back to how it was placed. One that has done nothing since leaves all alone. */
  private putBack(i: number): void {
    const compiled = this.program.cues[i]!;
    const state = this.cues[i]!;
    if (!state.out && state.firedAt === null) return;
    this.tellAll(i, 'resets');
    stopCue(compiled, state, this.program, this.state);
    state.out = false;
    for (const beat of compiled.beats)
      for (const action of beat.actions) {
        if (action.target < 0) continue;
        const first = firstValues(this.program.effect, this.program.objects[action.target]!);
        putBack(this.program, action, this.state[action.target]!, first);
      }
  }

  private tellAll(i: number, what: 'turnsBack' | 'resets'): void {
    const { id, beats } = this.program.cues[i]!;
    if (!this.witness) return;
    for (const { actions } of beats)
      for (const action of actions) this.witness.acted(id, action, what, this.stepCount * STEP);
  }

  /** The surface that something dragged stands on, when it has been let go in this step. */
  private letGo(held: number | null): Happened['placed'] {
    if (held === null || this.hands.holds !== null) return null;
    const anchor = this.program.anchors[held]!;
    return anchor.kind === 'world' ? anchor.surface : null;
  }

  private world(frame: TrackFrame): World {
    const { program, found } = this;
    return worldOf(
      program,
      (i) => {
        const parent = program.parents[i]!;
        if (parent >= 0) return this.places()[parent]?.places[0]?.matrix ?? null;
        return anchorPlaces(program.anchors[i]!, found!.here)[0]?.matrix ?? null;
      },
      (i) => this.places()[i]?.places[0]?.matrix ?? null,
      frame.camera.pose,
      (i) => ['screen', 'backdrop'].includes(program.anchors[i]!.kind),
    );
  }

  private work(frame: TrackFrame, cue: () => CueId): Work {
    const { program, witness } = this;
    const time = this.stepCount * STEP;
    return {
      program,
      values: this.state,
      overlays: new Map(),
      world: this.world(frame),
      whole: { act: (action) => this.actOnWhole(action) },
      step: this.stepCount,
      acted: witness && ((compiled, what) => witness.acted(cue(), compiled, what, time)),
      rate: (action) => {
        const wanted = this.driving.durationOf(action.id);
        return wanted === undefined ? 1 : action.duration / wanted;
      },
    };
  }

  private actOnWhole(action: Action): void {
    const bid = (kind: Order['kind'], id: string | null): void => {
      if (id !== null) this.orders = [...this.orders, { kind, id }];
    };
    switch (action.kind) {
      case 'scene':
        if (action.scene !== null && this.program.effect.scenes[action.scene]) this.sceneNow = action.scene;
        return;
      case 'cue':
        return bid(action.do, action.cue);
      case 'prompt':
        return bid(action.show ? 'show' : 'hide', action.prompt);
      case 'variable': {
        const i = this.program.variables.findIndex((v) => v.id === action.variable);
        if (i >= 0)
          this.setVariable(i, action.mode === 'to' ? action.value : this.variables[i]! + action.value);
      }
    }
  }

  private setVariable(i: number, value: number): void {
    const bounded = Math.min(1e9, Math.max(-1e9, value));
    if (this.variables[i] === bounded) return;
    this.variables[i] = bounded;
    this.changed = [...this.changed, this.program.variables[i]!.id];
  }

  /** What lies over the values of objects: overlays, then drives; then fountains, from where everything is now. */
  private finish(at: Instant, { overlays }: Work): void {
    const { program } = this;
    for (const [i, final] of this.finals.entries()) if (final) this.finals[i] = null;
    for (const [i, { move, turn }] of overlays) {
      const values = this.state[i]!;
      this.finals[i] = { ...values, move: add(values.move, move), turn: add(values.turn, turn) };
    }
    for (const drive of program.drives) this.drive(drive, at);
    this.found!.places = null;
    if (this.particles) this.stepFountains();
    for (const values of this.state) if (values.burst !== 0) values.burst = 0;
  }

  private drive(drive: Drive, at: Instant): void {
    const now = this.driving.step(drive, at);
    if (now === undefined) return;
    const { to } = drive;
    if (to.kind === 'variable') {
      const i = this.program.variables.findIndex((v) => v.id === to.variable);
      if (i >= 0) this.setVariable(i, now);
    } else if (to.kind === 'number') {
      const i = to.object === null ? undefined : this.program.indexOf.get(to.object);
      if (i === undefined) return;
      const object = this.program.objects[i]!;
      const values = this.values(i);
      if (readNumber(object, values, to.property) === now) return;
      const final = this.finals[i] ?? { ...values };
      writeNumber(object, final, to.property, now);
      this.finals[i] = final;
    }
  }

  private stepFountains(): void {
    const { program } = this;
    const { here } = this.found!;
    const faces = facesBySlot(here.presence, here.frame);
    const places = this.places();
    for (const i of program.fountains) {
      const place = places[i]!.places[0] ?? null;
      const values = this.values(i);
      const fountain = objectAs(program.objects[i]!, values) as Fountain;
      const face = place?.face ?? faces.find((f) => f !== undefined) ?? null;
      this.particles!.step(i, fountain, values, place, here.presence, face);
    }
  }

  save(): Snapshot {
    return {
      step: this.stepCount,
      values: this.state.map((v) => ({ ...v })),
      finals: this.finals.map((v) => v && { ...v }),
      cues: this.cues.map(copiedCueState),
      presence: this.there,
      hands: this.hands.state,
      scene: this.sceneNow,
      variables: [...this.variables],
      controls: [...this.controls],
      prompts: this.promptStates,
      hearing: this.hearing.state,
      drives: this.driving.values,
      memory: { ...this.memory },
      began: this.began,
      ended: this.ended,
      changed: this.changed,
      orders: this.orders,
      fountains: this.particles?.save() ?? {},
    };
  }

  restore(snapshot: Snapshot): void {
    this.stepCount = snapshot.step;
    this.state.splice(0, this.state.length, ...snapshot.values.map((v) => ({ ...v })));
    this.finals = snapshot.finals.map((v) => v && { ...v });
    this.cues = snapshot.cues.map(copiedCueState);
    this.there = snapshot.presence;
    this.hands.state = snapshot.hands;
    this.sceneNow = snapshot.scene;
    this.variables = [...snapshot.variables];
    this.controls = [...snapshot.controls];
    this.promptStates = snapshot.prompts;
    this.hearing.state = snapshot.hearing;
    this.driving.values = snapshot.drives;
    this.memory = { ...snapshot.memory };
    this.began = snapshot.began;
    this.ended = snapshot.ended;
    this.changed = snapshot.changed;
    this.orders = snapshot.orders;
    this.found = null;
    this.particles?.restore(snapshot.fountains, (i) => this.program.objects[i] as Fountain);
  }
}
