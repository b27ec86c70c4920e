import { formOf } from '../../pieces/registry';
import { perPiece, type Check } from '../check';

const LEAST_MM = 0.8;

export const lineTooThin: Check = {
  rule: 'line-too-thin',
  severity: 'warn',
  title: 'Fills thinner than two threads',
  find: perPiece(({ piece, shape }) =>
    formOf(piece) !== 'rows' || shape.facts.widthMm >= LEAST_MM
      ? null
      : {
          measured: shape.facts.widthMm,
          limit: LEAST_MM,
          unit: 'mm',
          limitFrom: 'two threads beside each other',
          message: 'This area is thinner than two threads: as a fill it is a row of dots; sew it as a run, widen it or drop it.',
        },
  ),
};
