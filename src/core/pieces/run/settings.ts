import type { Resolved } from '../../document/resolved';
import type { Piece, RunStyle } from '../../document/types';
import { pick, rule, type WithoutTies } from '../resolve';

/** A run's settings: its style decides what else it has. */
export function runSettings({ settings: own }: Piece, usualStyle?: Resolved<RunStyle>): WithoutTies {
  const foundation = own.foundation ?? false;
  const visible = usualStyle ?? rule<RunStyle>('double', 'out and back: bold, and ends where it began');
  const usual = foundation ? rule<RunStyle>('plain', 'foundation: once is enough') : visible;
  const style = pick(own.style, usual);
  const passes = { plain: 1, double: 2, bean: 3, backstitch: 1, zigzag: 1, motif: 1 }[style.value];
  return {
    stitchLength: pick(own.stitchLength, rule(2.5, 'usual run; shorter in curves')),
    style,
    passes: pick(own.passes, rule(passes, 'by style')),
    foundation: pick(own.foundation, rule(false, 'a line to be seen')),
    ...(style.value === 'zigzag'
      ? {
          zigzagWidth: pick(own.zigzagWidth, rule(2, 'loose zigzag')),
          spacing: pick(own.spacing, rule(1.5, 'loose: 1.2 to 2 between its points')),
        }
      : {}),
    ...(style.value === 'motif' ? { motifSpacing: pick(own.motifSpacing, rule(0, 'one after the other')) } : {}),
  };
}
