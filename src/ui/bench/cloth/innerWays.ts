import { Command, Role } from '@/core/stitches/roles';
import type { StitchPlan } from '@/core/plan/plan';

/** The ways from place to place inside a piece, which later stitches of it cover, as path data; events from one to before another. */
export function waysIn(plan: StitchPlan, from: number, to: number): string[] {
  const ways: string[] = [];
  let way: string[] = [];
  const done = (): void => {
    if (way.length > 1) ways.push(`M${way.join(' L')}`);
    way = [];
  };
  let begun = false;
  for (let i = from; i < to; i++) {
    const place = `${plan.x[i]!.toFixed(2)},${plan.y[i]!.toFixed(2)}`;
    const travels = plan.role[i] === Role.travel && plan.command[i] === Command.stitch;
    if (begun && travels) {
      if (way.length === 0) way.push(`${plan.x[i - 1]!.toFixed(2)},${plan.y[i - 1]!.toFixed(2)}`);
      way.push(place);
      continue;
    }
    if (way.length > 0 && plan.command[i] === Command.stitch) way.push(place);
    done();
    if (plan.role[i] === Role.cover || plan.role[i] === Role.underlay) begun = true;
  }
  done();
  return ways;
}
