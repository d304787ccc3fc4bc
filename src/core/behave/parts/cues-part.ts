/** Cues: what sets them off, whether they may, and what they do step by step. */
import type { CueId } from '../../document/schema';
import { anchorPlaces } from '../../placing/anchors';
import { STEP } from '../../units';
import type { Order, World } from '../../kinds/actions/action-kind';
import { worldOf } from '../acting';
import {
  copiedCueState,
  restingCue,
  startCue,
  stepCue,
  stopCue,
  turnBack,
  type CueState,
  type Work,
} from '../cue-run';
import { firstValues } from '../../program/first-values';
import type { CompiledCue, Program } from '../../program/program';
import { putBack } from '../put-back';
import { holdsNow, signalNow, type Instant } from '../signals';
import type { Watched, WatchState } from '../../kinds/triggers/trigger-kind';
import { nextWatch } from '../../kinds/triggers/triggers';
import { watchedAt } from '../watch/watching';
import type { Refusal, Witness } from '../witness';
import type { Part, Step } from './part';
import type { PresencePart } from './presence-part';
import type { CueWrites } from './writing';
import type { WrittenPart } from './written-part';

export interface CuesState {
  readonly cues: readonly CueState[];
  /** Indices of those that began and ended in the step before. */
  readonly began: readonly number[];
  readonly ended: readonly number[];
  /** What they bid in the step before. */
  readonly orders: readonly Order[];
}

export interface CuesOptions {
  /** Only this cue fires, at once: to see it by itself. */
  readonly only: CueId | null;
  readonly witness: Witness | null;
}

/** What cues are told by the parts around them. */
interface Around {
  readonly write: CueWrites;
  readonly presence: PresencePart;
  readonly written: WrittenPart;
}

export class CuesPart implements Part<CuesState> {
  private cues: readonly CueState[];
  private began: readonly number[] = [];
  private ended: readonly number[] = [];
  private orders: readonly Order[] = [];

  constructor(
    private readonly program: Program,
    private readonly around: Around,
    private readonly options: CuesOptions,
  ) {
    this.cues = program.cues.map(restingCue);
  }

  /** Whether cue `i` has fired and has not come to its end. */
  isAtWork(i: number): boolean {
    return this.cues[i]!.firedAt !== null;
  }
  progress(i: number): number {
    return this.cues[i]!.progress;
  }
  times(i: number): number {
    return this.cues[i]!.times;
  }

  /** Bids another cue, or a prompt. */
  bid(order: Order): void {
    this.orders = [...this.orders, order];
  }

  /** Makes known which cues began and ended in the step before. */
  tell(step: Step): void {
    step.happened = { ...step.happened, began: new Set(this.began), ended: new Set(this.ended) };
  }

  step(step: Step): void {
    const { at } = step;
    this.tell(step);
    step.orders = this.orders;
    this.orders = [];
    this.began = this.fireAll(step);
    const ended: number[] = [];
    let working: CueId | null = null;
    const work = this.work(at, () => working!);
    this.program.cues.forEach((cue, i) => {
      working = cue.id;
      if (stepCue(cue, this.cues[i]!, work)) ended.push(i);
    });
    this.ended = ended;
  }

  /** Gives the indices of the cues that fired. */
  private fireAll({ at, happened, orders, fired }: Step): number[] {
    const { only } = this.options;
    const began: number[] = [];
    const look = watchedAt(at, happened);
    const isBid = (what: Order['kind'], cue: CueId): boolean =>
      orders.some(({ kind, id }) => kind === what && id === cue);
    // All of them look before one of them acts: what a circuit has seen before cues is the same.
    const seen = this.program.cues.map(({ id, cue }, i) => ({
      resets: watched(cue.resets, this.cues[i]!.resets, look) || isBid('reset', id),
      triggered: watched(cue.triggers, this.cues[i]!.watches, look) || isBid('setOff', id),
    }));
    this.program.cues.forEach((cue, i) => {
      const state = this.cues[i]!;
      const { resets, triggered } = seen[i]!;
      if (resets) this.reset(i, at.step);
      for (const { kind, id } of orders)
        if (id === cue.id && kind === 'stop') stopCue(cue, state, this.program, this.around.write.objects);
      const bidden = isBid('start', cue.id);
      const alone = only === cue.id && at.step === 0;
      if (!bidden && !alone && !(triggered && this.may(i, at))) return;
      const back = this.fire(i, at.step);
      began.push(i);
      fired.push({ cue: cue.id, time: at.step * STEP, ...(back ? { back } : {}) });
    });
    return began;
  }

  /** Whether a cue that is set off may fire. */
  private may(i: number, at: Instant): boolean {
    if (this.options.only !== null) return false;
    const why = refusal(this.program.cues[i]!, this.cues[i]!, at);
    if (why) this.options.witness?.refused(this.program.cues[i]!.id, why, at.step * STEP);
    return why === null;
  }

  /** True when it goes back to how things were. */
  private fire(i: number, step: number): boolean {
    const compiled = this.program.cues[i]!;
    const state = this.cues[i]!;
    const { objects } = this.around.write;
    const back = compiled.cue.fires === 'toggle' && state.out;
    state.times++;
    state.lastFired = step;
    if (back) {
      this.tellAll(compiled, 'turnsBack', step);
      turnBack(compiled, state, objects, step);
    } else startCue(compiled, state, this.program, objects, step);
    return back;
  }

  /** Stops a cue and puts what it has changed back to how it was placed. One that has done nothing since leaves all alone. */
  private reset(i: number, step: number): void {
    const { program } = this;
    const { objects } = this.around.write;
    const compiled = program.cues[i]!;
    const state = this.cues[i]!;
    if (!state.out && state.firedAt === null) return;
    this.tellAll(compiled, 'resets', step);
    stopCue(compiled, state, program, objects);
    state.out = false;
    for (const { actions } of compiled.beats)
      for (const action of actions) {
        if (action.target < 0) continue;
        const first = firstValues(program.effect, program.objects[action.target]!);
        putBack(program, action, objects[action.target]!, first);
      }
  }

  private tellAll({ id, beats }: CompiledCue, what: 'turnsBack' | 'resets', step: number): void {
    const { witness } = this.options;
    if (!witness) return;
    for (const { actions } of beats)
      for (const action of actions) witness.acted(id, action, what, step * STEP);
  }

  private work({ step, frame }: Instant, cue: () => CueId): Work {
    const { write, written } = this.around;
    const { witness } = this.options;
    return {
      program: this.program,
      write,
      world: this.world(frame.camera.pose),
      step,
      acted: witness && ((compiled, what) => witness.acted(cue(), compiled, what, step * STEP)),
      rate: (action) => {
        const wanted = written.durationOf(action.id);
        return wanted === undefined ? 1 : action.duration / wanted;
      },
    };
  }

  private world(eye: World['eye']): World {
    const { program } = this;
    const { presence } = this.around;
    return worldOf(
      program,
      (i) => {
        const parent = program.parents[i]!;
        if (parent >= 0) return presence.places()[parent]?.places[0]?.matrix ?? null;
        return anchorPlaces(program.anchors[i]!, presence.here!)[0]?.matrix ?? null;
      },
      (i) => presence.places()[i]?.places[0]?.matrix ?? null,
      eye,
      (i) => ['screen', 'backdrop'].includes(program.anchors[i]!.kind),
    );
  }

  save(): CuesState {
    const { began, ended, orders } = this;
    return { cues: this.cues.map(copiedCueState), began, ended, orders };
  }
  restore({ cues, began, ended, orders }: CuesState): void {
    this.cues = cues.map(copiedCueState);
    this.began = began;
    this.ended = ended;
    this.orders = orders;
  }
  /** A cue of another shape begins anew. */
  carry(before: Program, { cues, orders }: CuesState): CuesState {
    const after = this.program;
    const carried = after.cues.map((cue, i): CueState => {
      const old = before.cueIndex.get(cue.id);
      const fits = old !== undefined && shapeOf(before.cues[old]!, before) === shapeOf(cue, after);
      return fits ? cues[old]! : this.cues[i]!;
    });
    return { cues: carried, began: [], ended: [], orders };
  }
}

/** Whether one of the triggers went off; what each of them watches is kept in `states`. */
const watched = (
  triggers: readonly CompiledCue['cue']['triggers'][number][],
  states: WatchState[],
  at: Watched,
): boolean => {
  let any = false;
  triggers.forEach((trigger, t) => {
    const next = nextWatch(trigger, states[t]!, at);
    states[t] = next.state;
    any ||= next.fired;
  });
  return any;
};

/** Why a cue that is set off does not fire; null when it does. */
const refusal = ({ cue }: CompiledCue, state: CueState, at: Instant): Refusal | null => {
  if (cue.fires === 'once' && state.times > 0) return { code: 'once' };
  if (cue.again === 'ignore' && state.firedAt !== null) return { code: 'busy' };
  if (state.lastFired !== null && (at.step - state.lastFired) * STEP + 1e-9 < cue.cooldown)
    return { code: 'cooldown' };
  if (cue.conditions.length === 0) return null;
  const failed = cue.conditions.findIndex((c) => !holdsNow(c, at));
  if (cue.match === 'any' ? cue.conditions.some((c) => holdsNow(c, at)) : failed < 0) return null;
  const value = signalNow(cue.conditions[failed]!.signal, at);
  return { code: 'condition', index: failed, value: Number.isNaN(value) ? null : value };
};

/** What a state of a cue is tied to: how many triggers, which beats, which actions on which objects. */
const shapeOf = ({ cue, beats }: CompiledCue, { objects }: Program): string =>
  JSON.stringify([
    cue.triggers.map((t) => t.kind),
    cue.resets.map((t) => t.kind),
    beats.map((b) => [b.id, b.actions.map((a) => [a.action.id, a.action.kind, objects[a.target]?.id])]),
  ]);
