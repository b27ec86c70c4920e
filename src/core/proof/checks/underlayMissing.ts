import { formOf } from '../../pieces/registry';
import { layerOf } from '../../pieces/rules/underlay';
import { perPiece, type Check, type SewnPiece } from '../check';
import { HIDES_TO_MM } from '../../units/craft';

/** From this width on a satin, and from this area on a fill, without anything beneath shows the cloth. */
const SATIN_MM = 3;
const FILL_MM2 = 60;

export const underlayMissing: Check = {
  rule: 'underlay-missing',
  severity: 'warn',
  title: 'Cover with nothing beneath',
  find: perPiece((sewn) => {
    const { piece, shape, settings } = sewn;
    if (!needsBed(sewn) || settings.underlay?.value.length !== 0) return null;
    const satin = formOf(piece) === 'column';
    return {
      measured: satin ? shape.facts.widthMm : shape.areaMm2,
      limit: satin ? SATIN_MM : FILL_MM2,
      unit: satin ? 'mm' : 'mm²',
      limitFrom: 'so wide a cover needs a foundation',
      message: 'Nothing lies beneath this cover: it sinks, its edge frays and the cloth is not held to the stabilizer.',
      fix: {
        label: satin ? 'Lay an edge run' : 'Lay a lattice',
        pieces: [{ id: piece.id, settings: { underlay: [layerOf(satin ? 'edge-run' : 'lattice')] } }],
      },
    };
  }),
};

function needsBed({ piece, shape, settings }: SewnPiece): boolean {
  const light = (settings.spacing?.value ?? Infinity) >= HIDES_TO_MM;
  if (light || (settings.foam?.value ?? 0) > 0) return false;
  return formOf(piece) === 'column' ? shape.facts.widthMm >= SATIN_MM : formOf(piece) === 'rows' && shape.areaMm2 >= FILL_MM2;
}
