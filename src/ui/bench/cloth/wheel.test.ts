import { wheelMove } from './wheel';

const turn = (given: Partial<WheelEvent>) => wheelMove({ deltaX: 0, deltaY: 0, deltaMode: 0, ctrlKey: false, shiftKey: false, ...given });
const zoom = (given: Partial<WheelEvent>): number => (turn(given) as { zoom: number }).zoom;

test('a wheel zooms, toward one nearer, back again to where it was', () => {
  expect(zoom({ deltaY: -100 })).toBeGreaterThan(1);
  expect(zoom({ deltaY: -100 }) * zoom({ deltaY: 100 })).toBeCloseTo(1, 12);
  expect(zoom({ deltaY: -3, deltaMode: 1 })).toBeCloseTo(zoom({ deltaY: -48 }), 12);
});

test('turned sideways, or with Shift, it moves the view across', () => {
  expect(turn({ deltaX: 30, deltaY: 2 })).toEqual({ pan: [-30, 0] });
  expect(turn({ deltaY: 30, shiftKey: true })).toEqual({ pan: [-30, 0] });
});

test('two fingers drawn apart zoom in useful steps, a wheel with Ctrl as without', () => {
  expect(zoom({ deltaY: -10, ctrlKey: true })).toBeGreaterThan(1.08);
  expect(zoom({ deltaY: -100, ctrlKey: true })).toBeCloseTo(zoom({ deltaY: -100 }), 12);
});

test('set to move the view, a wheel moves it and with Ctrl zooms', () => {
  const moved = (given: Partial<WheelEvent>) =>
    wheelMove({ deltaX: 0, deltaY: 0, deltaMode: 0, ctrlKey: false, shiftKey: false, ...given }, 'moves');
  expect(moved({ deltaX: 3, deltaY: 30 })).toEqual({ pan: [-3, -30] });
  expect(moved({ deltaY: -100, ctrlKey: true })).toHaveProperty('zoom');
});
