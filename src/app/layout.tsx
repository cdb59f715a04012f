import '@fontsource-variable/source-sans-3';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Shell } from '@/views/shell/shell';

export const metadata: Metadata = {
  title: 'Nelvix',
  description: 'Knows before the parts are on the table what covers, what clears and what reaches.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/**
 * A page that is kept on the device knows nothing of what was chosen since: the theme is put on
 * before the first paint, from the cookie.
 */
const THEME = `const m=/(?:^|; )theme=(bench|set)/.exec(document.cookie);if(m)document.documentElement.dataset.theme=m[1]`;

/** Asking for the headers makes every page dynamic: the nonce of the policy is new each time. */
export default async function Layout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? '';
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: THEME }}
        />
      </head>
      <body>
        <Shell nonce={nonce}>{children}</Shell>
      </body>
    </html>
  );
}
