import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/martian-mono/standard.css';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { Shell } from '@/ui/shared/Shell';

export const metadata: Metadata = { title: 'Grenko', description: 'Plans, times, guides and records two-part repairs.' };
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#e6e0d4' };

export default function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" data-theme="day" suppressHydrationWarning>
      <body>
        <Shell>{children}</Shell>
      </body>
    </html>
  );
}
