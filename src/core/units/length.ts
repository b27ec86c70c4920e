/** Lengths as people write them: mm is what Cobble stores, inches and rows per inch are accepted everywhere. */
export type LengthUnit = 'mm' | 'in';
export const MM_PER_INCH = 25.4;

const LENGTH = /^\s*(-?\d*[.,]?\d+)\s*(mm|cm|in|inch|inches|")?\s*$/i;

/**
 * Reads "85", "85 mm", "8,5 cm", "3.35 in" or `3.35"`.
 * @param unit what a bare number means
 * @returns millimetres, or null when the text is no finite length
 */
export function parseLength(text: string, unit: LengthUnit = 'mm'): number | null {
  const match = LENGTH.exec(text);
  if (!match) return null;
  const value = Number(match[1]!.replace(',', '.'));
  if (!Number.isFinite(value)) return null;
  const written = match[2]?.toLowerCase();
  if (written === 'cm') return value * 10;
  const inches = written === undefined ? unit === 'in' : written !== 'mm';
  return inches ? value * MM_PER_INCH : value;
}

/** A length with its unit, e.g. "85.0 mm" or "3.346 in". */
export function formatLength(mm: number, unit: LengthUnit = 'mm', decimals = 1): string {
  return unit === 'mm' ? `${mm.toFixed(decimals)} mm` : `${(mm / MM_PER_INCH).toFixed(inchDecimals(decimals))} in`;
}

/** Decimals of inches that tell as much as so many of millimetres. */
export const inchDecimals = (decimals: number): number => decimals + 2;

/** Rows per inch of a spacing in mm (0.40 mm is 63.5). */
export function rowsPerInch(spacingMm: number): number {
  return MM_PER_INCH / spacingMm;
}

const ROWS = /^\s*(\d*[.,]?\d+)\s*(rows\s*(\/|per)\s*in(ch)?|\/\s*in(ch)?)\s*$/i;

/** Reads a spacing: a length, or rows per inch as in "63.5 rows/in" or "60 /in". @returns millimetres between rows, or null */
export function parseSpacing(text: string, unit: LengthUnit = 'mm'): number | null {
  const rows = Number(ROWS.exec(text)?.[1]?.replace(',', '.') ?? NaN);
  return rows > 0 ? MM_PER_INCH / rows : parseLength(text, unit);
}

/** Reads a share such as "120 %". @returns percent, or null */
export function parsePercent(text: string): number | null {
  const match = /^\s*(\d*[.,]?\d+)\s*%\s*$/.exec(text);
  return match ? Number(match[1]!.replace(',', '.')) : null;
}

/** Minutes and seconds as a clock shows them, e.g. 19:53. */
export function formatClock(seconds: number): string {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

/** Minutes and seconds, e.g. "12 min 05 s". */
export function formatDuration(seconds: number): string {
  const whole = Math.round(seconds);
  const minutes = Math.floor(whole / 60);
  return minutes === 0 ? `${whole} s` : `${minutes} min ${String(whole % 60).padStart(2, '0')} s`;
}
