import { Check, Circle, Diamond, Loader, Octagon } from 'lucide-react';
import type { Severity } from '@/core/proof/finding';

/** Every state has a shape of its own, drawn, so that no font can lack it. */
const SIGNS = { stop: Octagon, warn: Diamond, note: Circle, good: Check, busy: Loader } as const satisfies Record<
  Severity | 'good' | 'busy',
  unknown
>;
const FILLED = new Set<string>(['stop', 'warn', 'note']);

interface Props {
  of: keyof typeof SIGNS;
  size?: number;
  className?: string;
}

export function Sign({ of, size = 12, className = '' }: Props) {
  const Shape = SIGNS[of];
  return (
    <Shape
      aria-hidden="true"
      data-sign={of}
      size={of === 'note' ? size * 0.7 : size}
      strokeWidth={3}
      fill={FILLED.has(of) ? 'currentColor' : 'none'}
      className={`inline-block shrink-0 align-[-1px] ${className}`}
    />
  );
}
