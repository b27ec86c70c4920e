import type { MarksProps } from '../tool';
import { BoxMarks } from './BoxMarks';
import { TurnScale } from './TurnScale';

/** The box that chooses, and the grips of what is chosen. */
export const ChooseMarks = ({ scale }: MarksProps) => (
  <>
    <TurnScale scale={scale} />
    <BoxMarks />
  </>
);
