import { THREAD_WIDTH_MM } from '../units/tolerances';

/** Width of a thread on cloth by its weight number, mm (craft §4). */
export function threadWidth(weight: number): number {
  if (weight >= 60) return 0.3;
  if (weight <= 12) return 0.8;
  return weight <= 30 ? 0.48 : THREAD_WIDTH_MM;
}
