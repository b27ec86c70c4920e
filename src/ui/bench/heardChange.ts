/** What is told of a plan: stitches, trims and open findings, or some of them. */
export type Heard = Partial<Record<'stitches' | 'trims' | 'findings', number>>;

const NAMES = [
  ['stitches', 'stitch'],
  ['trims', 'trim'],
  ['findings', 'finding'],
] as const;

/** A change of the plan in a sentence to be heard: what there is now, and how much more or fewer; empty when nothing changed. */
export function heardChange(before: Heard, now: Heard): string {
  const told = NAMES.flatMap(([many, one]) => {
    const [was, is] = [before[many], now[many]];
    if (was === undefined || is === undefined || was === is) return [];
    return [
      `${is.toLocaleString('en')} ${is === 1 ? one : many}, ${Math.abs(is - was).toLocaleString('en')} ${is > was ? 'more' : 'fewer'}`,
    ];
  });
  return told.length === 0 ? '' : `${told.join('; ')}.`;
}
