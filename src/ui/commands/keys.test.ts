import { keyCommand } from './keys';

const press = (key: string, held: Partial<Record<'ctrlKey' | 'shiftKey' | 'metaKey' | 'altKey', boolean>> = {}) =>
  ({ key, ctrlKey: false, shiftKey: false, metaKey: false, altKey: false, ...held }) as KeyboardEvent;

test('undo and redo are told apart by Shift', () => {
  const undo = keyCommand('Undo', 'Ctrl+Z', () => undefined);
  const redo = keyCommand('Redo', 'Ctrl+Shift+Z', () => undefined);
  expect(undo.matches(press('z', { ctrlKey: true }))).toBe(true);
  expect(undo.matches(press('Z', { ctrlKey: true, shiftKey: true }))).toBe(false);
  expect(redo.matches(press('Z', { metaKey: true, shiftKey: true }))).toBe(true);
});

test('plain keys do not answer to the browser’s own combinations', () => {
  const artwork = keyCommand('Artwork', 'A', () => undefined);
  expect(artwork.matches(press('a'))).toBe(true);
  expect(artwork.matches(press('a', { ctrlKey: true }))).toBe(false);
  expect(keyCommand('Sew', 'Space', () => undefined).matches(press(' '))).toBe(true);
});

test('signs that need Shift on some keyboards still count', () => {
  expect(keyCommand('Nearer', '+', () => undefined).matches(press('+', { shiftKey: true }))).toBe(true);
});
