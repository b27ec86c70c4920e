/*
 * People's words go into files whose readers take some characters for commands. One function for each format makes them fit to
 * stand there; whatever a format cannot hold at all becomes a space.
 */

/** Controls, line separators, half surrogate pairs and what is not a character. */
const UNFIT = /[\p{Cc}\p{Cs}\p{Cn}\p{Zl}\p{Zp}]/gu;
/** What begins a formula in a spreadsheet. */
const FORMULA = /^[=+\-@\t\r]/;
const LONGEST_COMMENT = 120;

/** Text or attribute of an XML 1.0 document. */
export const xmlText = (text: string): string => text.replace(UNFIT, ' ').replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** A cell of a CSV (RFC 4180) that no spreadsheet runs as a formula. */
export function csvCell(text: string): string {
  const plain = text.replace(UNFIT, ' ');
  const safe = FORMULA.test(plain) ? `'${plain}` : plain;
  return /[",]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}

/** A whole comment of motion words (ISO 6983), parentheses included: one line that holds none of its own, and no program end. */
export const motionComment = (text: string): string =>
  `(${text
    .replace(UNFIT, ' ')
    .replace(/[()%;]/g, ' ')
    .slice(0, LONGEST_COMMENT)
    .trim()})`;

/** Text on paper: what cannot be set at all becomes a space, line ends stay. */
export const plainText = (text: string): string =>
  text
    .split('\n')
    .map((line) => line.replace(UNFIT, ' '))
    .join('\n');
