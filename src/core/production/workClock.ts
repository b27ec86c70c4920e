import type { ShopIdentity } from '../document/shop/identity';

/** Working hours of a shop, as far as its clock needs them. */
export type Hours = Pick<ShopIdentity, 'opens' | 'closes' | 'days'>;

const MINUTE_MS = 60_000;
/** Monday is 0. */
const weekday = (day: Date): number => (day.getDay() + 6) % 7;
const atHour = (day: Date, hour: number): Date =>
  new Date(day.getFullYear(), day.getMonth(), day.getDate(), Math.floor(hour), Math.round((hour % 1) * 60));
const nextDay = (day: Date): Date => new Date(day.getFullYear(), day.getMonth(), day.getDate() + 1);

/** Stretches of working time from a moment on, day by day. */
function* workedDays(from: Date, { opens, closes, days }: Hours): Generator<{ from: Date; to: Date }> {
  for (let day = from; ; day = nextDay(day)) {
    if (!days.includes(weekday(day))) continue;
    const [begin, end] = [atHour(day, opens), atHour(day, closes)];
    const start = day > begin ? day : begin;
    if (start < end) yield { from: start, to: end };
  }
}

/** The moment at which so many minutes have been worked since another. */
export function clockAt(from: Date, minutes: number, hours: Hours): Date {
  let left = minutes;
  for (const day of workedDays(from, hours)) {
    const length = (day.to.getTime() - day.from.getTime()) / MINUTE_MS;
    if (left <= length) return new Date(day.from.getTime() + left * MINUTE_MS);
    left -= length;
  }
  return from;
}

/** Minutes that are worked from one moment to another; none where that is past. */
export function minutesBetween(from: Date, to: Date, hours: Hours): number {
  let sum = 0;
  for (const day of workedDays(from, hours)) {
    if (day.from >= to) return sum;
    sum += (Math.min(day.to.getTime(), to.getTime()) - day.from.getTime()) / MINUTE_MS;
  }
  return sum;
}

/** Working minutes until the end of a day that is written as 2026-12-24; Infinity where none is named. */
export function minutesUntil(from: Date, due: string | undefined, hours: Hours): number {
  const [, year, month, day] = /^(\d{4})-(\d{2})-(\d{2})$/.exec(due ?? '') ?? [];
  if (year === undefined) return Infinity;
  return minutesBetween(from, new Date(Number(year), Number(month) - 1, Number(day) + 1), hours);
}
