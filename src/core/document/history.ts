/**
 * Undo and redo. Each step holds the patch both ways; edits of one gesture (a drag, a typed name) coalesce
 * into one step until `endGesture`.
 */
import { changed, type Edit } from './edit';
import { applyPatch, diff, isSameJson, type Patch } from './patch';
import type { Effect } from './schema';

interface Step {
  /** Where somebody was when it was made, for whoever brings them back. */
  readonly context: unknown;
  readonly label: string;
  readonly forward: Patch;
  readonly inverse: Patch;
}
/** A gesture under way: its patches are worked out once, when it is over. */
interface Gesture {
  readonly name: string;
  readonly label: string;
  readonly context: unknown;
  /** The document before it began. */
  readonly before: Effect;
}

const DEPTH = 500;

export class History {
  private done: Step[] = [];
  private undone: Step[] = [];
  private gesture: Gesture | null = null;
  /** The context of the step that was undone or redone last. */
  private last: unknown = null;

  constructor(private current: Effect) {}

  get effect(): Effect {
    return this.current;
  }
  get undoLabel(): string | null {
    return this.gesture?.label ?? this.done.at(-1)?.label ?? null;
  }
  get redoLabel(): string | null {
    return this.undone.at(-1)?.label ?? null;
  }

  get context(): unknown {
    return this.last;
  }

  /** Applies an edit. An edit that changes nothing leaves no step. `context` is kept with the step and given back by undo and redo. */
  edit(edit: Edit, gesture: string | null = null, context: unknown = null): Effect {
    const before = this.current;
    const after = changed(before, edit);
    if (isSameJson(before, after)) return before;
    if (gesture === null || this.gesture?.name !== gesture) this.endGesture();
    if (gesture === null) this.push(edit.label, context, before, after);
    // A drag that came back to where it began leaves nothing to undo.
    else if (this.gesture && isSameJson(this.gesture.before, after)) this.gesture = null;
    else this.gesture ??= { name: gesture, label: edit.label, context, before };
    this.undone = [];
    this.current = after;
    return after;
  }

  /** The next edit starts a step of its own. */
  endGesture(): void {
    if (!this.gesture) return;
    const { label, context, before } = this.gesture;
    this.gesture = null;
    this.push(label, context, before, this.current);
  }

  private push(label: string, context: unknown, before: Effect, after: Effect): void {
    this.done.push({ label, context, forward: diff(before, after), inverse: diff(after, before) });
    if (this.done.length > DEPTH) this.done.shift();
  }

  undo(): Effect {
    this.endGesture();
    const step = this.done.pop();
    if (step) {
      this.current = applyPatch(this.current, step.inverse);
      this.last = step.context;
      this.undone.push(step);
    }
    return this.current;
  }

  redo(): Effect {
    const step = this.undone.pop();
    if (step) {
      this.current = applyPatch(this.current, step.forward);
      this.last = step.context;
      this.done.push(step);
    }
    return this.current;
  }

  /** Takes over a document that came from elsewhere; what was done here can no longer be undone. */
  replace(effect: Effect): void {
    this.current = effect;
    this.done = [];
    this.undone = [];
    this.gesture = null;
  }
}
