import { endStage } from './stage';
import { inUnits } from '../core/units/inUnits';
import type { LengthUnit } from '../core/units/length';

let asked: LengthUnit | undefined;

/** What lengths are told and taken in from now on. */
export const tellIn = (units: LengthUnit): void => void (asked = units);
/** What was asked for with `--units`, if anything. */
export const unitsAsked = (): LengthUnit | undefined => asked;

/** A text with its lengths as they were asked for. Names of figures in reports stay as they are: they say that they are mm. */
export const spoken = (text: string): string => inUnits(text, asked ?? 'mm');

/** Tells something on the standard output. */
export const say = (text: string): void => {
  endStage();
  process.stdout.write(spoken(text));
};
