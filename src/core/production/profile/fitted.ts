import type { StitchPlan } from '../../plan/plan';
import { Command, Role } from '../../stitches/roles';
import { hypot } from '../../units/trig';
import type { MachineProfile } from '../../document/shop/profile';

/** What was changed so that a machine can sew a plan. */
export interface Fitting {
  plan: StitchPlan;
  stitchesDivided: number;
  jumpsDivided: number;
  /** Cuts written as moves. */
  trimsAsJumps: number;
  /** Stitches that fell onto the hole before, as the machine's step is coarse. */
  leftOut: number;
}

/**
 * A plan as a machine can sew it: stitches and moves no longer than its limits, cuts as moves where it has no trimmer, every place on
 * its steps. Each place is rounded by itself, so no error adds up: every one lies within half a step of the plan's.
 */
export function fitted(plan: StitchPlan, profile: MachineProfile): Fitting {
  const out = new Fitter(plan, profile);
  for (let i = 0; i < plan.x.length; i++) out.add(i);
  return out.finish();
}

class Fitter {
  private readonly x: number[] = [];
  private readonly y: number[] = [];
  private readonly from: number[] = [];
  private readonly command: number[] = [];
  private readonly role: number[] = [];
  private readonly counts = { stitchesDivided: 0, jumpsDivided: 0, trimsAsJumps: 0, leftOut: 0 };
  private readonly firstOf: number[] = [];

  constructor(
    private readonly plan: StitchPlan,
    private readonly profile: MachineProfile,
  ) {}

  add(i: number): void {
    this.firstOf.push(this.x.length);
    const command = this.plan.command[i]!;
    const [x, y] = [this.stepped(this.plan.x[i]!), this.stepped(this.plan.y[i]!)];
    if (command === Command.trim && !this.profile.trimmer) this.trim(i, x, y);
    else if (command === Command.stitch) this.go(i, { x, y, longest: this.profile.longestStitch, key: 'stitchesDivided' });
    else if (command === Command.jump) this.go(i, { x, y, longest: this.profile.longestJump, key: 'jumpsDivided' });
    else this.push(i, x, y, command);
  }

  private stepped(v: number): number {
    return Math.round(v / this.profile.step) * this.profile.step;
  }

  private trim(i: number, x: number, y: number): void {
    for (let k = 0; k < this.profile.trimJumps; k++) this.push(i, x, y, Command.jump);
    this.counts.trimsAsJumps++;
  }

  /** Straight to a place, in equal parts where it is too far; the first of a plan is gone to at once. */
  private go(i: number, { x, y, longest, key }: { x: number; y: number; longest: number; key: 'stitchesDivided' | 'jumpsDivided' }): void {
    const n = this.x.length;
    const command = this.plan.command[i]!;
    const [px, py] = n === 0 ? [x, y] : [this.x[n - 1]!, this.y[n - 1]!];
    if (command === Command.stitch && n > 0 && this.command[n - 1] === Command.stitch && px === x && py === y) {
      this.counts.leftOut++;
      return;
    }
    // Rounding may lengthen each part by a step's diagonal.
    const room = Math.max(longest - 1.5 * this.profile.step, longest / 2);
    const parts = hypot(x - px, y - py) <= longest ? 1 : Math.ceil(hypot(x - px, y - py) / room);
    if (parts > 1) this.counts[key]++;
    for (let k = 1; k < parts; k++)
      this.push(i, this.stepped(px + ((x - px) * k) / parts), this.stepped(py + ((y - py) * k) / parts), command);
    this.push(i, x, y, command);
  }

  private push(i: number, x: number, y: number, command: number): void {
    this.x.push(x);
    this.y.push(y);
    this.from.push(i);
    this.command.push(command);
    this.role.push(command === Command.jump ? Role.travel : this.plan.role[i]!);
  }

  finish(): Fitting {
    const at = (event: number): number => this.firstOf[event] ?? this.x.length;
    const stitches = new Uint32Array(this.plan.pieces.length);
    const piece = Uint16Array.from(this.from, (i) => this.plan.piece[i]!);
    piece.forEach((p, i) => this.command[i] === Command.stitch && stitches[p]!++);
    const plan: StitchPlan = {
      x: Float32Array.from(this.x),
      y: Float32Array.from(this.y),
      command: Uint8Array.from(this.command),
      role: Uint8Array.from(this.role),
      piece,
      thread: Uint8Array.from(this.from, (i) => this.plan.thread[i]!),
      pieces: this.plan.pieces.map((p, k) => ({ ...p, from: at(p.from), to: at(p.to), stitches: stitches[k]! })),
    };
    return { plan, ...this.counts };
  }
}
