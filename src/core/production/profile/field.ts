import { InputError } from '../../document/errors';
import type { StitchPlan } from '../../plan/plan';
import { planBounds } from '../../stitches/planBounds';
import type { MachineProfile } from '../../document/shop/profile';

/** @throws InputError when the machine's needle does not reach all of a plan */
export function requireField(plan: StitchPlan, { name, field }: MachineProfile): void {
  const box = planBounds(plan);
  const [width, height] = [box.maxX - box.minX, box.maxY - box.minY];
  if (width <= field.width && height <= field.height) return;
  throw new InputError(
    'too-big-for-hoop',
    `The job is ${width.toFixed(1)} x ${height.toFixed(1)} mm; the field of ‘${name}’ is ${field.width} x ${field.height} mm.`,
  );
}
