/**
 * What a key means to the history of a field: undo, redo, or nothing. On layouts without Latin letters the
 * key is told by its place on the keyboard (UI Events, `code`).
 *
 * @example historyKey(new KeyboardEvent('keydown', { key: 'я', code: 'KeyZ', ctrlKey: true })); // 'undo'
 */
export function historyKey({
  key,
  code,
  ctrlKey,
  metaKey,
  shiftKey,
}: Pick<KeyboardEvent, 'key' | 'code' | 'ctrlKey' | 'metaKey' | 'shiftKey'>): 'undo' | 'redo' | undefined {
  if (!ctrlKey && !metaKey) return undefined;
  const letter = /^[a-z]$/i.test(key) ? key.toLowerCase() : { KeyZ: 'z', KeyY: 'y' }[code];
  return letter === 'z' ? (shiftKey ? 'redo' : 'undo') : letter === 'y' ? 'redo' : undefined;
}
