/** How a written line looks: in the colours of the atelier, dark or light. */
import { EditorView } from '@codemirror/view';

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
