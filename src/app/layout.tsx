import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/martian-mono/standard.css';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { Shell } from '@/ui/shared/Shell';

export const metadata: Metadata = {
  title: 'Grenko',
  description: 'Plans, times, guides and records two-part repairs.',
  icons: { icon: '/icons/icon-192.png', apple: '/icons/icon-192.png' },
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#e6e0d4' };

/** The content security policy lets no text become code: the schemas are told before they try. */
const NO_EVAL = 'globalThis.__zod_globalConfig={jitless:true}';

export default function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" data-theme="day" suppressHydrationWarning>
      <head>
        {/* biome-ignore lint/security/noDangerouslySetInnerHtml: a constant of ours, named by its hash in the policy */}
        <script dangerouslySetInnerHTML={{ __html: NO_EVAL }} />
      </head>
      <body>
        <Shell>{children}</Shell>
      </body>
    </html>
  );
}
