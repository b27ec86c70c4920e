'use client';
import { DropdownMenu } from 'radix-ui';
import { useCallback, useState, type ReactNode } from 'react';

/** Where a menu opens: within the landmark of its button, so that whoever goes from landmark to landmark comes upon it. */
export function MenuPortal({ children }: { children: ReactNode }) {
  const [home, setHome] = useState<Element | null>(null);
  const find = useCallback((mark: HTMLElement | null) => void (mark && setHome(mark.closest('header, main'))), []);
  return (
    <>
      <span ref={find} hidden />
      <DropdownMenu.Portal container={home}>{children}</DropdownMenu.Portal>
    </>
  );
}
