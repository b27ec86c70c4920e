import { inchDecimals, type LengthUnit, MM_PER_INCH } from './length';

// Signs beyond ASCII stand in plain strings: the headless program is read byte by byte, where they would break in a pattern.
const [MINUS, PLUS_MINUS, TIMES, ARROW, DASH, SQUARED] = ['−', '±', '×', '→', '–', '²'];
/** A figure with its sign and decimals, as sentences write it; thousands may be parted by commas. */
const FIGURE = `[-+${MINUS}${PLUS_MINUS}]?(?:\\d{1,3}(?:,\\d{3})+|\\d+)(?:\\.\\d+)?`;
/** Figures that share one unit: "85.0 × 54.0", "0.3 to 0.5", "30, 15, 8 and 5". */
const JOINED = `(?:\\s?[${TIMES}x]\\s?|,\\s|\\s(?:to|by|and|or|of|${ARROW})\\s|${DASH}|/)`;
// No figure that hangs on a letter or another figure: that is a name or a code.
const LENGTHS = new RegExp(`(?<![\\w.,])(${FIGURE}(?:${JOINED}${FIGURE})*)([\\s-]?)mm(${SQUARED}|\\b)(?!/)`, 'g');
const EACH = new RegExp(FIGURE, 'g');
const PER_MM = new RegExp(`(?<![\\w.,])(${FIGURE})( ?)(px|N|stitches|holes)/mm(${SQUARED}|\\b)`, 'g');
const UNIT_ALONE = new RegExp(`(?<=, |\\()mm(?=${SQUARED}?(?:$|[).:]))`, 'g');

function converted(figure: string, per: number, decimalsFor: (decimals: number) => number): string {
  const plain = figure.replace(/,/g, '').replace(MINUS, '-').replace(PLUS_MINUS, '');
  const decimals = /\.(\d+)/.exec(plain)?.[1]!.length ?? 0;
  const text = (Number(plain) / per).toFixed(decimalsFor(decimals));
  const sign = figure.startsWith(PLUS_MINUS) ? PLUS_MINUS : figure.startsWith('+') ? '+' : '';
  return sign + (figure.startsWith(MINUS) ? text.replace('-', MINUS) : text);
}

/**
 * A sentence with its lengths, areas and figures per length in the person's units. Sentences are composed in millimetres;
 * this is the one place where they become inches.
 */
export function inUnits(text: string, unit: LengthUnit): string {
  if (unit === 'mm' || !text.includes('mm')) return text;
  return text
    .replace(
      PER_MM,
      (_, figure: string, gap: string, what: string, square: string) =>
        `${converted(figure, 1 / MM_PER_INCH ** (square === SQUARED ? 2 : 1), () => 0)}${gap}${what}/in${square}`,
    )
    .replace(LENGTHS, (_, figures: string, gap: string, square: string) => {
      const [per, decimals] = square === SQUARED ? [MM_PER_INCH ** 2, () => 3] : [MM_PER_INCH, inchDecimals];
      return `${figures.replace(EACH, (f) => converted(f, per, decimals))}${gap}in${square}`;
    })
    .replace(UNIT_ALONE, 'in');
}
