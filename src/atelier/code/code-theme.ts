/** How a written line looks: in the colours of the atelier, dark or light. */
import { HighlightStyle } from '@codemirror/language';
import { EditorView } from '@codemirror/view';
import { tags } from '@lezer/highlight';

export const codeLooks = EditorView.theme({
  '&': {
    color: 'var(--ink)',
    backgroundColor: 'var(--field)',
    border: '1px solid var(--line)',
    borderRadius: '5px',
    fontSize: '12.5px',
  },
  '&.cm-focused': { outline: 'none', borderColor: 'var(--accent)' },
  '.cm-content': { fontFamily: 'var(--mono)', caretColor: 'var(--ink)' },
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

/** Beside that, for what has many lines. */
export const scriptLooks = EditorView.theme({
  '&': { height: '100%' },
  '.cm-scroller': { overflow: 'auto', lineHeight: '1.5' },
  '.cm-gutters': {
    color: 'var(--soft)',
    backgroundColor: 'transparent',
    border: 'none',
    fontFamily: 'var(--mono)',
  },
  '.cm-stopped': { backgroundColor: 'color-mix(in srgb, var(--madder) 18%, transparent)' },
  '.cm-matchingBracket': { backgroundColor: 'var(--wash) !important', outline: 'none' },
});
/** Words of the language in the accent, what is said in it calm. */
export const codeColours = HighlightStyle.define([
  { tag: [tags.keyword, tags.moduleKeyword, tags.controlKeyword], color: 'var(--accent)', fontWeight: '600' },
  { tag: [tags.string, tags.regexp], color: 'var(--madder)' },
  { tag: [tags.number, tags.bool, tags.null], color: 'var(--ochre)' },
  { tag: [tags.comment], color: 'var(--soft)', fontStyle: 'italic' },
  { tag: [tags.typeName, tags.className], textDecoration: 'underline dotted' },
  { tag: [tags.definition(tags.variableName), tags.definition(tags.propertyName)], fontWeight: '600' },
]);
