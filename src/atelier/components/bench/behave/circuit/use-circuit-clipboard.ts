/** Copy, cut and paste on the board: what is copied stands on the clipboard as text, for this circuit, another effect, or a file. */
import { onBeforeUnmount, onMounted } from 'vue';
import { isTyping } from '../../../../commands/keys';

interface Board {
  /** What is copied now; null for nothing. */
  copied(): string | null;
  /** What was copied is to go. */
  remove(): void;
  paste(text: string): void;
}
const EVENTS = ['copy', 'cut', 'paste'] as const;

export const useCircuitClipboard = (board: Board): void => {
  const onEvent = (event: ClipboardEvent): void => {
    // Text that is marked or written is copied as everywhere.
    if (isTyping(event.target) || !(getSelection()?.isCollapsed ?? true)) return;
    const text = event.type === 'paste' ? event.clipboardData?.getData('text/plain') : board.copied();
    // Files and the like are brought in as everywhere.
    if (!text?.trim()) return;
    event.preventDefault();
    if (event.type === 'paste') return board.paste(text);
    event.clipboardData?.setData('text/plain', text);
    if (event.type === 'cut') board.remove();
  };
  onMounted(() => EVENTS.forEach((type) => document.addEventListener(type, onEvent)));
  onBeforeUnmount(() => EVENTS.forEach((type) => document.removeEventListener(type, onEvent)));
};
