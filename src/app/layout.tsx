import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Notices } from '@/ui/components/Notices';
import './globals.css';

export const metadata: Metadata = {
  description: 'Artwork becomes a sewing plan that works on the first sew-out.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Reading the request makes every page dynamic, which its script nonce needs.
  await headers();
  return (
    <html lang="en">
      <body>
        {children}
        <Notices />
      </body>
    </html>
  );
}
