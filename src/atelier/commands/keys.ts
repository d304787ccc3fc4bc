/** Whether a key press means the command's keys. Ctrl stands for Command on a Mac. */
export const matches = (keys: string, event: KeyboardEvent): boolean => {
  const parts = keys.split(' ');
  const key = parts.at(-1)!;
  const pressed = event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toUpperCase() : event.key;
  const same = pressed === key || (key === 'Delete' && pressed === 'Backspace');
  return (
    same &&
    parts.includes('Ctrl') === (event.ctrlKey || event.metaKey) &&
    (parts.includes('Shift') === event.shiftKey || key.length > 1) &&
    !event.altKey
  );
};
