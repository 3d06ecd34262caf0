import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { DemoLoader } from '@/features/demo/DemoLoader';
import { JudgingBar } from '@/features/judging/JudgingBar';
import { AppShell } from '@/features/shell/AppShell';
import { StoreGate } from '@/features/shell/StoreGate';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Jobs · Varmek', template: '%s · Varmek' },
  description: 'From a logged warm-up to a finding',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };
/** The server says at run time whether it is a demo. */
export const dynamic = 'force-dynamic';

// Before the first paint, so that a dark bay is not lit up; the key is that of useTheme.
// A browser that blocks storage keeps the light of the yard.
const themeScript = `try{if(localStorage.getItem('varmek-theme')==='bay')document.documentElement.dataset.theme='bay'}catch{}`;

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" data-theme="yard" suppressHydrationWarning>
      <head>
        <script nonce={nonce} dangerouslySetInnerHTML={{ __html: themeScript }} />
      </head>
      <body className="min-h-dvh bg-base-100 font-sans text-base-content antialiased">
        <StoreGate>
          <AppShell status={<JudgingBar />}>
            {children}
            <DemoLoader wanted={process.env.VARMEK_DEMO === '1'} />
          </AppShell>
        </StoreGate>
      </body>
    </html>
  );
}
