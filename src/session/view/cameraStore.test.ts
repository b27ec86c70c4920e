import { CLOSEST, FARTHEST, fit, panBy, toCloth, useCamera, zoomAt } from './cameraStore';

beforeEach(() => useCamera.setState({ camera: { scale: 5, x: 3, y: -2 }, width: 900, height: 600 }));
const under = (px: number, py: number) => toCloth(useCamera.getState(), px, py);

test('zooming keeps what is under the pointer there', () => {
  const before = under(120, 450);
  zoomAt(2.5, 120, 450);
  zoomAt(0.7, 120, 450);
  expect(under(120, 450).x).toBeCloseTo(before.x, 9);
  expect(under(120, 450).y).toBeCloseTo(before.y, 9);
});

test('dragging moves the cloth with the hand', () => {
  const before = under(100, 100);
  panBy(40, -25);
  expect(under(140, 75).x).toBeCloseTo(before.x, 9);
  expect(under(140, 75).y).toBeCloseTo(before.y, 9);
});

test('zoom has limits', () => {
  zoomAt(1e9);
  expect(useCamera.getState().camera.scale).toBe(CLOSEST);
  zoomAt(1e-9);
  expect(useCamera.getState().camera.scale).toBe(FARTHEST);
});

test('fitting shows the whole field, centred', () => {
  fit(100, 100);
  const { camera } = useCamera.getState();
  expect(camera).toMatchObject({ x: 0, y: 0 });
  expect(100 * camera.scale).toBeLessThanOrEqual(600);
  expect(100 * camera.scale).toBeGreaterThan(500);
});
