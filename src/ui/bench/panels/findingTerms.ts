/** The word of the craft that a finding turns on, for those who meet it for the first time. */
const TERMS: Readonly<Record<string, string>> = {
  'compensation-low': 'pull',
  'cover-too-dense': 'spacing',
  'cover-too-open': 'spacing',
  'direction-as-below': 'slant',
  'gap-forecast': 'registration',
  'jump-untrimmed': 'trim',
  'layers-stacked': 'layers',
  'opening-carved': 'openings',
  'opening-costs': 'openings',
  'overlap-too-small': 'overlap',
  'same-direction-sections': 'slant',
  'satin-too-narrow': 'satin',
  'satin-too-wide': 'satin',
  'stitch-too-long': 'stitch-length',
  'stitch-too-short': 'stitch-length',
  'tie-doubled': 'tie',
  'tie-missing': 'tie',
  'tie-shown': 'tie',
  'ties-piled': 'tie',
  'too-heavy': 'layers',
  'travel-visible': 'travel',
  'trim-avoidable': 'trim',
  'underlay-along-cover': 'underlay',
  'underlay-missing': 'underlay',
  'underlay-outside': 'underlay',
  'underlay-too-heavy': 'underlay',
};

/** @returns the key of the word; undefined where the sentence of the finding says all */
export const termOfRule = (rule: string): string | undefined => TERMS[rule];
export const RULES_WITH_TERMS = Object.keys(TERMS);
