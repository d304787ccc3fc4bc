/** Whether a key press means the command's keys. Ctrl stands for Command on a Mac. */
export const matches = (keys: string, event: KeyboardEvent): boolean => {
  const parts = keys.split(' ');
  const key = parts.at(-1)!;
  const pressed = event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toUpperCase() : event.key;
  const same = pressed === key || (key === 'Delete' && pressed === 'Backspace');
  return (
    same &&
    parts.includes('Ctrl') === (event.ctrlKey || event.metaKey) &&
    // Where a sign needs Shift depends on the keyboard.
    (parts.includes('Shift') === event.shiftKey || key.length > 1 || /[^A-Z0-9]/.test(key)) &&
    !event.altKey
  );
};

/** Kinds of inputs in which letters and digits mean themselves. */
const TEXT = /^(text|search|url|tel|email|password|number|date|time)$/;
/** Whether keys that are pressed there write text: then they are no commands. A list, a switch or a slider writes none. */
export const isTyping = (target: EventTarget | null): boolean => {
  if (!(target instanceof HTMLElement)) return false;
  if (target.isContentEditable || target instanceof HTMLTextAreaElement) return true;
  return target instanceof HTMLInputElement && TEXT.test(target.type) && !target.readOnly;
};
/** A list that is open: letters and digits are meant for it. */
const isOpenList = (target: HTMLElement): boolean =>
  target.closest('[role="combobox"][aria-expanded="true"]') !== null;
/** Whether a key belongs to what has the focus before it is a command: Space presses buttons, arrows move along lists. */
export const belongsToControl = (event: KeyboardEvent): boolean => {
  if (!(event.target instanceof HTMLElement)) return false;
  if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && isOpenList(event.target)) return true;
  const moves = event.key === ' ' || event.key === 'Enter' || event.key.startsWith('Arrow');
  return (
    moves &&
    event.target.closest(
      'button, a, label, input, [role="slider"], [role="menu"], [role="combobox"], [role="radiogroup"]',
    ) !== null
  );
};
