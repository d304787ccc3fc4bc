/** Where scripts are written: names are offered as they are typed, what is wrong is underlined, and the line that stopped it is marked. */
import {
  autocompletion,
  closeBrackets,
  closeBracketsKeymap,
  completionKeymap,
} from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap, indentWithTab } from '@codemirror/commands';
import { javascript } from '@codemirror/lang-javascript';
import { bracketMatching, indentOnInput, syntaxHighlighting } from '@codemirror/language';
import { lintGutter, setDiagnostics } from '@codemirror/lint';
import { EditorState, StateEffect, StateField } from '@codemirror/state';
import { Decoration, EditorView, keymap, lineNumbers, tooltips, type DecorationSet } from '@codemirror/view';
import { codeColours, codeLooks, scriptLooks } from './code-theme';
import type { TypeCompletion, TypeProblem } from './type-messages';

export interface ScriptEditor {
  readonly text: string;
  setText(text: string): void;
  show(problems: readonly TypeProblem[]): void;
  /** Marks the line in which it was stopped, from 1; null for none. */
  markLine(line: number | null): void;
  destroy(): void;
}
interface Around {
  readonly label: string;
  completions(
    text: string,
    at: number,
  ): Promise<{ readonly from: number; readonly completions: readonly TypeCompletion[] }>;
  changed(text: string): void;
  /** The keys went elsewhere. */
  left(): void;
}

const markedLine = StateEffect.define<number | null>();
const marks = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update: (was, tr) => {
    let now = was.map(tr.changes);
    for (const effect of tr.effects)
      if (effect.is(markedLine))
        now =
          effect.value === null || effect.value > tr.newDoc.lines
            ? Decoration.none
            : Decoration.set([
                Decoration.line({ class: 'cm-stopped' }).range(tr.newDoc.line(effect.value).from),
              ]);
    return now;
  },
  provide: (field) => EditorView.decorations.from(field),
});

/** What completions are called there, for their signs. */
const KINDS: Readonly<Record<string, string>> = {
  property: 'property',
  method: 'method',
  function: 'function',
  'local function': 'function',
  const: 'constant',
  let: 'variable',
  var: 'variable',
  parameter: 'variable',
  keyword: 'keyword',
};

export const scriptEditor = (parent: HTMLElement, text: string, around: Around): ScriptEditor => {
  const view = new EditorView({
    parent,
    state: EditorState.create({
      doc: text,
      extensions: [
        lineNumbers(),
        lintGutter(),
        history(),
        javascript({ typescript: true }),
        syntaxHighlighting(codeColours),
        indentOnInput(),
        bracketMatching(),
        closeBrackets(),
        marks,
        autocompletion({
          override: [
            async ({ state, pos, explicit }) => {
              const before = state.sliceDoc(Math.max(0, pos - 60), pos);
              if (!explicit && !/[\p{L}_$.]$/u.test(before)) return null;
              const { from, completions } = await around.completions(state.doc.toString(), pos);
              if (completions.length === 0) return null;
              return {
                from,
                filter: false,
                options: completions.map(({ label: word, detail, kind }) => ({
                  label: word,
                  type: KINDS[kind] ?? 'variable',
                  ...(detail ? { info: detail } : {}),
                })),
              };
            },
          ],
        }),
        keymap.of([
          ...closeBracketsKeymap,
          ...completionKeymap,
          ...defaultKeymap,
          ...historyKeymap,
          indentWithTab,
        ]),
        tooltips({ parent: document.body }),
        EditorView.contentAttributes.of({
          'aria-label': around.label,
          spellcheck: 'false',
          // Tab indents; behind Escape it goes on to what comes next.
          tabindex: '0',
        }),
        EditorView.domEventHandlers({ blur: () => around.left() }),
        EditorView.updateListener.of((update) => {
          if (update.docChanged) around.changed(update.state.doc.toString());
        }),
        codeLooks,
        scriptLooks,
      ],
    }),
  });
  return {
    get text() {
      return view.state.doc.toString();
    },
    setText: (to) => {
      const at = Math.min(view.state.selection.main.head, to.length);
      if (to !== view.state.doc.toString())
        view.dispatch({
          changes: { from: 0, to: view.state.doc.length, insert: to },
          selection: { anchor: at },
        });
    },
    show: (problems) =>
      view.dispatch(
        setDiagnostics(
          view.state,
          problems.map(({ from, to, message }) => ({
            from: Math.min(from, view.state.doc.length),
            to: Math.min(Math.max(to, from), view.state.doc.length),
            severity: 'error' as const,
            message,
          })),
        ),
      ),
    markLine: (line) => view.dispatch({ effects: markedLine.of(line) }),
    destroy: () => view.destroy(),
  };
};
