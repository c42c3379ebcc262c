import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Providers } from '@/ui/frame/Providers';
import { Screens } from '@/ui/frame/Screens';
import { buildId } from './build-id';
import { figureFont, textFont } from './fonts';

export async function generateMetadata(): Promise<Metadata> {
  const build = await buildId();
  return {
    title: { default: 'Fond Badger', template: '%s · Fond Badger' },
    description: 'Plans the coat of felted animals: which rows, how long to cut, how much wool, in what order.',
    ...(build === null ? {} : { other: { build } }),
  };
}

export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#DEDEDC' };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning className={`${textFont.variable} ${figureFont.variable}`}>
      <body>
        <InitColorSchemeScript attribute="data" nonce={nonce} />
        <noscript>
          Fond Badger works things out in your browser and needs JavaScript for it. Nothing is sent anywhere.
        </noscript>
        <AppRouterCacheProvider options={{ key: 'mui', nonce, enableCssLayer: true }}>
          <Providers>
            <Screens />
          </Providers>
          {children}
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}
