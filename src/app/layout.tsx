import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Providers } from '@/ui/frame/Providers';
import { figureFont, textFont } from './fonts';

export const metadata: Metadata = {
  title: { default: 'Fond Badger', template: '%s · Fond Badger' },
  description: 'Plans the coat of felted animals: which rows, how long to cut, how much wool, in what order.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning className={`${textFont.variable} ${figureFont.variable}`}>
      <body>
        <InitColorSchemeScript attribute="data" nonce={nonce} />
        <AppRouterCacheProvider options={{ key: 'mui', nonce, enableCssLayer: true }}>
          <Providers>{children}</Providers>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}
