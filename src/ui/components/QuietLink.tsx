'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import type { ComponentProps } from 'react';

/** A link whose page is fetched when the pointer comes near, not when it is shown: what a person works on comes first. */
export function QuietLink({ href, onPointerEnter, ...rest }: Omit<ComponentProps<typeof Link>, 'href' | 'prefetch'> & { href: string }) {
  const router = useRouter();
  return (
    <Link
      href={href}
      prefetch={false}
      onPointerEnter={(e) => {
        router.prefetch(href);
        onPointerEnter?.(e);
      }}
      {...rest}
    />
  );
}
