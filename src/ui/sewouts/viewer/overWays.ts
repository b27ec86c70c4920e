import type { OverWay } from '@/session/sewouts/photoLookStore';

/** How two pictures over one another are told apart. */
export const OVER_WAYS: readonly { value: OverWay; name: string }[] = [
  { value: 'slider', name: 'Slider' },
  { value: 'blink', name: 'Blink' },
  { value: 'difference', name: 'Difference' },
];
