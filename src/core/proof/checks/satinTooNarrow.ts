import { LEAST_SEWN_MM } from '../../units/craft';
import { formOf } from '../../pieces/registry';
import { perPiece, type Check } from '../check';

const ROUGH_MM = 0.02;

export const satinTooNarrow: Check = {
  rule: 'satin-too-narrow',
  severity: 'warn',
  title: 'Satins narrower than 1 mm as sewn',
  find: perPiece(({ piece, shape, settings }) => {
    const drawn = shape.facts.widthMm;
    const sewn = drawn + 2 * (settings.pullComp?.value ?? 0);
    if (formOf(piece) !== 'column' || sewn >= LEAST_SEWN_MM - ROUGH_MM) return null;
    const wanted = Math.ceil(((LEAST_SEWN_MM - drawn) / 2) * 100) / 100;
    return {
      measured: sewn,
      limit: LEAST_SEWN_MM,
      unit: 'mm',
      limitFrom: 'narrower satin sinks into the cloth',
      message: 'This satin is too narrow to lie well: it sinks into the cloth and its needle holes run together.',
      fix: { label: `Widen it by ${wanted.toFixed(2)} mm a side`, pieces: [{ id: piece.id, settings: { pullComp: wanted } }] },
    };
  }),
};
