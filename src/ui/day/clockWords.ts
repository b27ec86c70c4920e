const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];

/** A moment as it is said from another: the hour today, with its day where it is another day. */
export function clockWords(at: Date, from: Date): string {
  const hour = `${at.getHours()}:${String(at.getMinutes()).padStart(2, '0')}`;
  const same = at.toDateString() === from.toDateString();
  const week = at.getTime() - from.getTime() < 6 * 86_400_000;
  return same ? hour : week ? `${DAYS[at.getDay()]} ${hour}` : `${at.getDate()}.${at.getMonth() + 1}. ${hour}`;
}

/** An hour of the day, 16.5 as 16:30. */
export const hourWords = (hour: number): string => `${Math.floor(hour)}:${String(Math.round((hour % 1) * 60)).padStart(2, '0')}`;
