/** The two typefaces ship with the app and are served from it. */
import localFont from 'next/font/local';

export const textFont = localFont({
  src: '../../node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
  weight: '200 800',
  variable: '--font-text',
  display: 'swap',
});

export const figureFont = localFont({
  src: '../../node_modules/@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2',
  weight: '200 800',
  variable: '--font-figures',
  display: 'swap',
});
