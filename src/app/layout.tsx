import '@fontsource-variable/source-sans-3';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Shell } from '@/views/shell/shell';

export const metadata: Metadata = {
  title: 'Nelvix',
  description: 'Knows before the parts are on the table what covers, what clears and what reaches.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/** Asking for the headers makes every page dynamic: the nonce of the policy is new each time. */
export default async function Layout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? '';
  const theme = (await cookies()).get('theme')?.value;
  const chosen = theme === 'bench' || theme === 'set' ? theme : undefined;
  return (
    <html lang="en" data-theme={chosen}>
      <body>
        <Shell nonce={nonce} theme={chosen ?? 'auto'}>
          {children}
        </Shell>
      </body>
    </html>
  );
}
