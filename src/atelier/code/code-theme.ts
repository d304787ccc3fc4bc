/** How written code looks: in the colours of the atelier, dark or light. */
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import type { Extension } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { tags } from '@lezer/highlight';

const looks = EditorView.theme({
  '&': {
    color: 'var(--ink)',
    backgroundColor: 'var(--field)',
    border: '1px solid var(--line)',
    borderRadius: '5px',
    fontSize: '12.5px',
  },
  '&.cm-focused': { outline: 'none', borderColor: 'var(--accent)' },
  '.cm-content': { fontFamily: 'var(--mono)', caretColor: 'var(--ink)' },
  '.cm-cursor': { borderLeftColor: 'var(--ink)' },
  '&.cm-focused > .cm-scroller > .cm-selectionLayer .cm-selectionBackground, .cm-selectionBackground': {
    backgroundColor: 'color-mix(in srgb, var(--accent) 24%, transparent)',
  },
  '.cm-gutters': {
    color: 'var(--soft)',
    backgroundColor: 'var(--bench)',
    borderRight: '1px solid var(--line)',
  },
  '.cm-activeLine, .cm-activeLineGutter': {
    backgroundColor: 'color-mix(in srgb, var(--ink) 5%, transparent)',
  },
  '.cm-tooltip': {
    // Over the sheets in which it is written.
    zIndex: '1100 !important',
    color: 'var(--ink)',
    backgroundColor: 'var(--sheet)',
    border: '1px solid var(--line)',
    borderRadius: '5px',
  },
  '.cm-tooltip-autocomplete ul li': {
    fontFamily: 'var(--mono)',
    fontSize: '12px',
    padding: '2px 8px !important',
  },
  '.cm-tooltip-autocomplete ul li[aria-selected]': {
    color: 'var(--on-accent)',
    backgroundColor: 'var(--accent)',
  },
  '.cm-tooltip-autocomplete ul li[aria-selected] .cm-completionDetail': { color: 'var(--on-accent)' },
  '.cm-completionDetail': { fontFamily: 'var(--text)', fontStyle: 'normal', color: 'var(--soft)' },
  '.cm-completionMatchedText': { textDecoration: 'none', fontWeight: '700' },
  '.cm-diagnostic-error': { borderLeft: '3px solid var(--madder)' },
  '.cm-completionInfo': { maxWidth: '260px', fontFamily: 'var(--text)', fontSize: '12px' },
});
/** Few colours: what is said, what is counted, what is remarked. */
const colours = HighlightStyle.define([
  { tag: [tags.keyword, tags.controlKeyword, tags.definitionKeyword, tags.moduleKeyword], fontWeight: '700' },
  { tag: [tags.string, tags.regexp, tags.special(tags.string)], color: 'var(--ochre)' },
  { tag: [tags.number, tags.bool, tags.null], color: 'var(--accent)' },
  { tag: [tags.comment], color: 'var(--soft)', fontStyle: 'italic' },
]);
export const codeLooks: Extension = [looks, syntaxHighlighting(colours)];
