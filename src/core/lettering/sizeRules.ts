import type { Lettering } from '../document/types';
import { THREAD_WIDTH_MM } from '../units/tolerances';
import { faceOf } from './faces';
import { layOut } from './layout';
import { LEAST_STROKE_MM, SMALL_BELOW_MM } from './sized';
import { isLinesBySize } from './styleOf';

export type SizeRuleKey = keyof NonNullable<Lettering['rules']>;

/** A rule for small letters that counts for a text, with its figure without it and with it. */
export interface SizeRule {
  key: SizeRuleKey;
  says: string;
  source: string;
  unit: 'mm long' | 'mm wide';
  without: number;
  with: number;
  on: boolean;
}

/** The rules for small letters that change something of a text. */
export function sizeRules(text: Lettering): SizeRule[] {
  const under = (key: SizeRuleKey, on: boolean) => layOut({ ...text, rules: { ...text.rules, [key]: on } });
  const both = (key: SizeRuleKey, of: (laid: ReturnType<typeof layOut>) => number) => ({
    without: of(under(key, false)),
    with: of(under(key, true)),
    on: text.rules?.[key] !== false,
  });
  const rules: SizeRule[] = [
    {
      key: 'spread',
      says: text.outlines ? 'Letters stand farther apart' : 'Letters stand 30 % farther apart',
      source: `below ${SMALL_BELOW_MM} mm`,
      unit: 'mm long',
      ...both('spread', (laid) => laid.lengthMm),
    },
    {
      key: 'thicken',
      says: `Strokes no thinner than ${LEAST_STROKE_MM} mm`,
      source: 'the thinnest satin that sews',
      unit: 'mm wide',
      ...both('thicken', (laid) => laid.strokeMm),
    },
    ...linesRule(text),
  ];
  return rules.filter((r) => Math.abs(r.with - r.without) > LEAST_SEEN_MM);
}
const LEAST_SEEN_MM = 0.01;

/** Letters too low for columns are lines, unless a person chose what they are. */
function linesRule(text: Lettering): SizeRule[] {
  const below = faceOf(text.face)?.linesBelow ?? 0;
  if (text.style !== undefined || text.height >= below) return [];
  return [
    {
      key: 'line',
      says: 'One line along each stroke',
      source: `this face below ${below} mm`,
      unit: 'mm wide',
      without: layOut({ ...text, rules: { ...text.rules, line: false } }).strokeMm,
      with: THREAD_WIDTH_MM,
      on: isLinesBySize(text),
    },
  ];
}
