import { useRouter } from 'next/navigation';
import { useCallback } from 'react';

/** Goes to a place, or to a part of the page that is open. */
export function useGo(): (href: string) => void {
  const router = useRouter();
  return useCallback(
    (href) => {
      const to = new URL(href, window.location.href);
      // Within one page the router tells nobody that only what comes after the # differs.
      if (!to.hash || to.pathname !== window.location.pathname) return router.push(href);
      if (window.location.hash === to.hash) window.dispatchEvent(new HashChangeEvent('hashchange'));
      else window.location.hash = to.hash;
    },
    [router],
  );
}
