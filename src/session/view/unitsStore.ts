import { create } from 'zustand';
import { inUnits } from '@/core/units/inUnits';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { preference, keepPreference } from '@/platform/storage/shop';

const KEY = 'units';

/** In what lengths are shown: as the open job says, and outside jobs as the shop does. */
export const useUnits = create<{ units: LengthUnit; shop: LengthUnit }>(() => ({ units: 'mm', shop: 'mm' }));

/** Shows lengths as the open job says; without one, as the shop does. */
export function showUnitsOf(job: { brief: { units?: LengthUnit } } | null): void {
  const units = job ? (job.brief.units ?? 'mm') : useUnits.getState().shop;
  if (units !== useUnits.getState().units) useUnits.setState({ units });
}

/** What the shop shows lengths in where no job is open, and gives to new jobs. */
export async function loadShopUnits(): Promise<LengthUnit> {
  const kept = await preference<LengthUnit>(KEY);
  const shop = kept === 'in' ? 'in' : 'mm';
  if (shop !== useUnits.getState().shop) useUnits.setState({ shop });
  return shop;
}

export function setShopUnits(shop: LengthUnit): void {
  useUnits.setState({ shop, units: shop });
  void keepPreference(KEY, shop);
}

/** Outside jobs: shows lengths as the shop does. */
export const showShopUnits = (): void => void loadShopUnits().then((units) => useUnits.setState({ units }));

export const unitsNow = (): LengthUnit => useUnits.getState().units;

/** A length as the person reads it: "85.0 mm", "3.346 in". What shows it is laid out anew when the units change. */
export const lengthText = (mm: number, decimals = 1): string => formatLength(mm, unitsNow(), decimals);

/** A sentence with its lengths as the person reads them. */
export const said = (text: string): string => inUnits(text, unitsNow());
