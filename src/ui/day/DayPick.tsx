import type { PickList } from '@/core/production/pickList';
import { Swatch } from '../components/Swatch';

/** Thread by thread, then what else is needed. */
export function DayPick({ pick }: { pick: PickList }) {
  const others = [
    ['Bobbins', String(pick.bobbins)],
    ...pick.needles.map((n) => [`Needles ${n.needle}`, String(n.count)]),
    ...pick.stabilizers.map((s) => [s.name, `${s.m2.toFixed(2)} m²`]),
    ...pick.toppings.map((s) => [`Topping: ${s.name}`, `${s.m2.toFixed(2)} m²`]),
    ...(pick.foamM2 > 0 ? [['Foam', `${pick.foamM2.toFixed(2)} m²`]] : []),
  ];
  return (
    <ul data-testid="day-pick">
      {pick.thread.map((t, i) => (
        <li key={`${t.code} ${t.weight}`} className="flex items-center gap-2 border-b border-hairline py-1">
          <Swatch hex={t.hex} number={i + 1} title={t.name} />
          <span className="figures">{t.code}</span>
          <span className="min-w-0 flex-1 truncate">{t.name}</span>
          <span className="figures text-quiet">{t.metres.toFixed(0)} m</span>
          <span className="figures w-16 text-right font-semibold">{t.cones} ×</span>
        </li>
      ))}
      {others.map(([name, amount]) => (
        <li key={name} className="flex gap-2 border-b border-hairline py-1">
          <span className="flex-1">{name}</span>
          <span className="figures font-semibold">{amount}</span>
        </li>
      ))}
    </ul>
  );
}
