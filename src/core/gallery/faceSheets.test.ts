import { contains } from '../geometry/area';
import { boundsOf } from '../geometry/point';
import { FACES } from '../lettering/faces';
import { prepareShape } from '../pieces/registry';
import { jobOfSheet, SHEET_BOX, SHEET_HEIGHTS, sheetTexts } from './faceSheets';

test('every face stands on its sheet at four heights, none over another and all within the cloth', () => {
  expect(SHEET_HEIGHTS).toEqual([30, 15, 8, 5]);
  const cloth = [[{ x: SHEET_BOX.minX, y: SHEET_BOX.minY }, { x: SHEET_BOX.maxX, y: SHEET_BOX.minY }, { x: SHEET_BOX.maxX, y: SHEET_BOX.maxY }, { x: SHEET_BOX.minX, y: SHEET_BOX.maxY }]]; // prettier-ignore
  for (const { key } of FACES) {
    const shapes = jobOfSheet(sheetTexts(key)).pieces.map((p) => prepareShape(p)!.painted);
    expect([key, shapes.every((area) => area.flat().every((p) => contains(cloth, p)))]).toEqual([key, true]);
    const boxes = shapes.map((area) => boundsOf(area));
    boxes.slice(1).forEach((b, i) => expect([key, b.minY > boxes[i]!.maxY - 0.01]).toEqual([key, true]));
  }
});
