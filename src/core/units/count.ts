/** A number with its noun: `1 trim`, `1,234 trims`. The plural is the noun with an s unless it is given. */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count.toLocaleString('en')} ${count === 1 ? one : many}`;
