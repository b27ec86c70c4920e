'use client';
import { Toaster } from 'sonner';

/** Short messages at the lower edge: what happened, or what to do. */
export function Notices() {
  return (
    <Toaster
      position="bottom-center"
      duration={7000}
      style={{ fontFamily: 'inherit' }}
      toastOptions={{
        unstyled: true,
        classNames: {
          toast: 'flex items-center gap-2 rounded-md border border-edge bg-panel px-4 py-3 text-sm text-ink shadow-md w-[420px]',
          error: 'border-danger',
          actionButton: 'ml-auto shrink-0 rounded-md border border-ink bg-tape px-2 py-0.5 font-semibold',
        },
      }}
    />
  );
}
