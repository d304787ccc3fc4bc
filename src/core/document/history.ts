/**
 * Undo and redo. Each step holds the patch both ways; edits of one gesture (a drag, a typed name) coalesce
 * into one step until `endGesture`.
 */
import { applyEdit, type Edit } from './edit';
import { applyPatch, diff, type Patch } from './patch';
import type { Effect } from './schema';

interface Step {
  label: string;
  forward: Patch;
  inverse: Patch;
  gesture: string | null;
  /** The document before the gesture began; only kept while the gesture is open. */
  before: Effect | null;
}

const DEPTH = 500;

export class History {
  private done: Step[] = [];
  private undone: Step[] = [];

  constructor(private current: Effect) {}

  get effect(): Effect {
    return this.current;
  }
  get undoLabel(): string | null {
    return this.done.at(-1)?.label ?? null;
  }
  get redoLabel(): string | null {
    return this.undone.at(-1)?.label ?? null;
  }

  /** Applies an edit. An edit that changes nothing leaves no step. */
  edit(edit: Edit, gesture: string | null = null): Effect {
    const { effect, forward, inverse } = applyEdit(this.current, edit);
    if (forward.length === 0) return this.current;
    const last = this.done.at(-1);
    if (gesture !== null && last?.gesture === gesture && last.before) {
      last.forward = diff(last.before, effect);
      last.inverse = diff(effect, last.before);
      // A drag that came back to where it began leaves nothing to undo.
      if (last.forward.length === 0) this.done.pop();
    } else {
      this.endGesture();
      this.done.push({
        label: edit.label,
        forward,
        inverse,
        gesture,
        before: gesture === null ? null : this.current,
      });
      if (this.done.length > DEPTH) this.done.shift();
    }
    this.undone = [];
    this.current = effect;
    return effect;
  }

  /** The next edit starts a step of its own. */
  endGesture(): void {
    const last = this.done.at(-1);
    if (last) {
      last.gesture = null;
      last.before = null;
    }
  }

  undo(): Effect {
    this.endGesture();
    const step = this.done.pop();
    if (step) {
      this.current = applyPatch(this.current, step.inverse);
      this.undone.push(step);
    }
    return this.current;
  }

  redo(): Effect {
    const step = this.undone.pop();
    if (step) {
      this.current = applyPatch(this.current, step.forward);
      this.done.push(step);
    }
    return this.current;
  }

  /** Takes over a document that came from elsewhere; what was done here can no longer be undone. */
  replace(effect: Effect): void {
    this.current = effect;
    this.done = [];
    this.undone = [];
  }
}
