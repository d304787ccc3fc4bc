/** One line in which a formula is written: names are offered as they are typed, and what is wrong is underlined. */
import {
  acceptCompletion,
  autocompletion,
  completionKeymap,
  completionStatus,
  startCompletion,
  type CompletionResult,
  type CompletionSource,
} from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { setDiagnostics } from '@codemirror/lint';
import { EditorState, Prec } from '@codemirror/state';
import { EditorView, keymap, tooltips } from '@codemirror/view';
import { clamp } from '../../core/maths/scalar';
import { codeLooks } from './code-theme';

/** What can be written at a place. */
export interface Word {
  readonly word: string;
  /** What it means, beside it. */
  readonly means: string;
  /** All it is sought by, beside its letters. */
  readonly seek: string;
  /** More of it, when it is chosen from the list. */
  readonly note?: string;
  /** It is a function: a bracket opens behind it. */
  readonly isFunction?: boolean;
}
export interface Wrong {
  readonly message: string;
  readonly at: number | null;
  readonly length: number;
}
export interface FormulaEditor {
  readonly text: string;
  setText(text: string): void;
  show(wrong: Wrong | null): void;
  /** As soon as it is seen: what opens slowly takes no focus before. */
  focus(): void;
  readonly hasFocus: boolean;
  destroy(): void;
}
interface Around {
  readonly label: string;
  words(): readonly Word[];
  changed(text: string): void;
  /** Enter. */
  done(): void;
  /** Escape. */
  left(): void;
}

const MOST_OFFERED = 60;
/** Words that hold all that is typed, those that begin so first. */
const offered =
  (words: () => readonly Word[]): CompletionSource =>
  ({ state, pos, explicit }) => {
    const before = /[\p{L}_][\p{L}\p{N}_]*$/u.exec(state.sliceDoc(0, pos))?.[0] ?? '';
    if (before === '' && !explicit) return null;
    const typed = before.toLowerCase();
    const rank = ({ word, seek }: Word): number => {
      const name = word.toLowerCase();
      return name.startsWith(typed)
        ? 2
        : name.includes(typed)
          ? 1
          : seek.toLowerCase().includes(typed)
            ? 0
            : -1;
    };
    const options = words()
      .map((word) => ({ word, rank: rank(word) }))
      .filter((one) => one.rank >= 0)
      .sort((a, b) => b.rank - a.rank)
      .slice(0, MOST_OFFERED)
      .map(({ word: { word, means, note, isFunction } }) => ({
        label: word,
        detail: means,
        ...(note ? { info: note } : {}),
        apply: isFunction ? `${word}(` : word,
      }));
    if (options.length === 0) return null;
    return {
      from: pos - before.length,
      options,
      filter: false,
      // At once with each letter: Enter behind the last one takes what is offered then.
      update: (_was, _from, _to, now) => offered(words)(now) as CompletionResult | null,
    };
  };

export const formulaEditor = (parent: HTMLElement, text: string, around: Around): FormulaEditor => {
  /** Nobody has moved the caret yet: the browser alone would put it before what is there already, when it gets the focus. */
  let isSettling = true;
  const isMoved = (): false => (isSettling = false);
  /** Enter was pressed while it was still looked for what can be offered: it waits for that. */
  let hasEntered = false;
  const enter = (line: EditorView): void => {
    const status = completionStatus(line.state);
    if (status === 'pending') hasEntered = true;
    else if (status === null || !acceptCompletion(line)) around.done();
  };
  const view = new EditorView({
    parent,
    state: EditorState.create({
      doc: text,
      selection: { anchor: text.length },
      extensions: [
        // One line: what is pasted of more becomes one.
        EditorState.transactionFilter.of((tr) =>
          tr.newDoc.lines > 1
            ? [
                {
                  changes: {
                    from: 0,
                    to: tr.startState.doc.length,
                    insert: tr.newDoc.sliceString(0, undefined, ' '),
                  },
                  selection: { anchor: tr.newDoc.length },
                },
              ]
            : tr,
        ),
        EditorState.transactionFilter.of((tr) => (isSettling && tr.isUserEvent('select') ? [] : tr)),
        EditorView.domEventHandlers({
          pointerdown: isMoved,
          keydown: ({ key }) => key.length > 1 && isMoved(),
        }),
        history(),
        Prec.highest(
          keymap.of([
            {
              key: 'Enter',
              run: (line) => {
                enter(line);
                return true;
              },
            },
            {
              key: 'Escape',
              run: ({ state }) => {
                if (completionStatus(state) === 'active') return false;
                around.left();
                return true;
              },
            },
          ]),
        ),
        autocompletion({
          override: [offered(around.words)],
          icons: false,
          activateOnTypingDelay: 0,
          interactionDelay: 0,
          maxRenderedOptions: MOST_OFFERED,
        }),
        keymap.of([...completionKeymap, ...defaultKeymap, ...historyKeymap]),
        tooltips({ parent: document.body }),
        EditorView.contentAttributes.of({ 'aria-label': around.label, spellcheck: 'false' }),
        EditorView.updateListener.of((update) => {
          if (update.docChanged) {
            around.changed(update.state.doc.toString());
            hasEntered = false;
          }
          if (hasEntered && completionStatus(update.state) !== 'pending') {
            hasEntered = false;
            // Nothing can be changed from within a change.
            queueMicrotask(() => enter(update.view));
          }
        }),
        codeLooks,
      ],
    }),
  });
  let waiting = 0;
  const focus = (): void => {
    view.focus();
    if (!view.hasFocus) return void (waiting = requestAnimationFrame(() => focus()));
    // What was typed before it was there may be offered too.
    if (/\p{L}$/u.test(view.state.doc.toString())) startCompletion(view);
  };
  return {
    get text() {
      return view.state.doc.toString();
    },
    setText: (to) => {
      if (to !== view.state.doc.toString())
        view.dispatch({
          changes: { from: 0, to: view.state.doc.length, insert: to },
          selection: { anchor: to.length },
        });
    },
    show: (wrong) => {
      const end = view.state.doc.length;
      const from = clamp(wrong?.at ?? 0, 0, end);
      const to = wrong?.at === null ? end : Math.min(end, from + (wrong?.length ?? 0));
      view.dispatch(
        setDiagnostics(
          view.state,
          wrong && end > 0
            ? [
                {
                  from: Math.min(from, end - 1),
                  to: Math.max(to, from),
                  severity: 'error',
                  message: wrong.message,
                },
              ]
            : [],
        ),
      );
    },
    focus,
    get hasFocus() {
      return view.hasFocus;
    },
    destroy: () => {
      cancelAnimationFrame(waiting);
      view.destroy();
    },
  };
};
