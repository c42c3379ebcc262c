'use client';
/**
 * Colours and type of the app. Wool is judged by eye, so what surrounds it is neutral and mid-light, as in standard
 * viewing conditions (ISO 3664); one colour says "this can be pressed". Contrast of text is at least 4.5 to 1.
 */
import { createTheme } from '@mui/material/styles';

declare module '@mui/material/styles' {
  interface Palette {
    desk: { stage: string; sheet: string; quiet: string; rule: string; done: string; caution: string; stop: string };
  }
  interface PaletteOptions {
    desk?: Palette['desk'];
  }
}

const type = 'var(--font-text), system-ui, sans-serif';

/** Where the system decides the colours, what is chosen is told by its frame. */
const CHOSEN = [
  '[aria-pressed="true"]',
  '[aria-selected="true"]',
  '[aria-current]:not([aria-current="false"])',
] as const;
const FRAMED = { outline: '3px solid Highlight', outlineOffset: '-4px' } as const;

/** Where the keyboard is. */
const FOCUS = { outline: '2px solid var(--mui-palette-primary-main)', outlineOffset: '1px' } as const;

const inks = (secondary: string, line: string, press: string, done: string, caution: string, stop: string) => ({
  '--mui-palette-text-secondary': secondary,
  '--mui-palette-divider': line,
  '--mui-palette-primary-main': press,
  '--mui-palette-success-main': done,
  '--mui-palette-warning-main': caution,
  '--mui-palette-error-main': stop,
});
/** For whoever asks the system for more contrast: quiet ink is full ink, and nothing is under seven to one (WCAG 2.2, 1.4.6). */
const moreContrast = (when: string) => ({
  [`html${when}[data-light]`]: inks('#1C2022', '#54595B', '#173A59', '#1B4838', '#5E3D00', '#7A1519'),
  [`html${when}[data-dark]`]: inks('#F1F1EF', '#B9BCBC', '#DCECF9', '#D3F0E3', '#F9E3B8', '#FDE3E1'),
});

/** What a finger can hit (look: 44 px); figures and links within a sentence are let be (WCAG 2.2, 2.5.8). */
const FINGER = '44px !important';
const BY_TOUCH = {
  'button:not([data-inline]), .MuiButtonBase-root:not([data-inline]), [role="combobox"], .MuiInputBase-root, dd [data-inline], td [data-inline]':
    { minHeight: FINGER, minWidth: FINGER },
  'input[type="color"]': { minHeight: FINGER, minWidth: FINGER },
  '.MuiSlider-root': { paddingBlock: '21px !important' },
  'nav a, header a': { display: 'inline-flex', alignItems: 'center', minHeight: FINGER, minWidth: FINGER },
};

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#1F4B73', contrastText: '#FFFFFF' },
        error: { main: '#9B2226' },
        warning: { main: '#8A5A00' },
        success: { main: '#2C6650' },
        text: { primary: '#1C2022', secondary: '#54595B' },
        background: { default: '#DEDEDC', paper: '#F6F6F4' },
        divider: '#C4C5C3',
        desk: {
          stage: '#BFBFBD',
          sheet: '#F6F6F4',
          quiet: '#54595B',
          rule: '#C4C5C3',
          done: '#2C6650',
          caution: '#8A5A00',
          stop: '#9B2226',
        },
      },
    },
    dark: {
      palette: {
        primary: { main: '#9CC3E6', contrastText: '#1C2022' },
        error: { main: '#F2A3A0' },
        warning: { main: '#E8B863' },
        success: { main: '#8CCBB0' },
        text: { primary: '#F1F1EF', secondary: '#B9BCBC' },
        background: { default: '#2C2D2D', paper: '#383939' },
        divider: '#565858',
        // What is chosen stays dark enough for quiet ink on it.
        action: { selected: 'rgba(255, 255, 255, 0.08)' },
        desk: {
          stage: '#474848',
          sheet: '#383939',
          quiet: '#B9BCBC',
          rule: '#565858',
          done: '#8CCBB0',
          caution: '#E8B863',
          stop: '#F2A3A0',
        },
      },
    },
  },
  shape: { borderRadius: 3 },
  spacing: 8,
  typography: {
    fontFamily: type,
    fontSize: 15,
    htmlFontSize: 16,
    h1: { fontSize: 24, fontWeight: 700, lineHeight: 1.25 },
    h2: { fontSize: 18, fontWeight: 700, lineHeight: 1.3 },
    h3: { fontSize: 15, fontWeight: 700, lineHeight: 1.35 },
    body1: { fontSize: 15, lineHeight: 1.45 },
    body2: { fontSize: 13, lineHeight: 1.4 },
    button: { textTransform: 'none', fontWeight: 600, fontSize: 13 },
  },
  components: {
    // Colours are judged beside it: no tinted ground, the mark says what kind it is.
    MuiAlert: {
      styleOverrides: {
        root: {
          backgroundColor: 'var(--mui-palette-background-paper)',
          color: 'var(--mui-palette-text-primary)',
          border: '1px solid var(--mui-palette-divider)',
        },
      },
    },
    // The base of all buttons takes its outline away; whoever works by key must see where they are.
    MuiButtonBase: {
      styleOverrides: {
        root: {
          '&:focus-visible, &.Mui-focusVisible': FOCUS,
          '@media (forced-colors: active)': { [CHOSEN.map((c) => `&${c}`).join(', ')]: FRAMED },
        },
      },
    },
    MuiButton: {
      defaultProps: { variant: 'outlined', size: 'small', disableElevation: true, disableRipple: true },
      styleOverrides: { root: { minHeight: 32, borderColor: 'var(--mui-palette-primary-main)' } },
    },
    MuiIconButton: { defaultProps: { disableRipple: true } },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiDialog: {
      styleOverrides: { paper: { border: '1px solid var(--mui-palette-divider)', backgroundImage: 'none' } },
    },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiTooltip: { defaultProps: { describeChild: true } },
    MuiSlider: {
      defaultProps: { size: 'small' },
      styleOverrides: {
        thumb: { width: 16, height: 16, boxShadow: 'none', '&:focus-visible, &.Mui-focusVisible': FOCUS },
      },
    },
    MuiLink: { defaultProps: { underline: 'always' } },
    MuiCssBaseline: {
      styleOverrides: {
        'html, body': { height: '100%' },
        body: { fontVariantNumeric: 'tabular-nums' },
        ':focus-visible': FOCUS,
        // What may be old, until it is worked out again; not faint for whoever asks for more contrast.
        '[data-old]': { opacity: 0.4, '@media (prefers-contrast: more)': { opacity: 1, fontStyle: 'italic' } },
        'html[data-contrast] [data-old]': { opacity: 1, fontStyle: 'italic' },
        '@media (forced-colors: active)': { [CHOSEN.join(', ')]: FRAMED },
        '@media (pointer: coarse)': BY_TOUCH,
        '@media (prefers-contrast: more)': moreContrast(''),
        ...moreContrast('[data-contrast]'),
        '@media (prefers-reduced-motion: reduce)': {
          '*, *::before, *::after': { transition: 'none !important', animation: 'none !important' },
        },
      },
    },
  },
});

/** Figures in tables and charts: every digit as wide as the next, the gap before a unit kept narrow. */
export const figures = { fontFamily: 'var(--font-figures), ui-monospace, monospace', wordSpacing: '-0.35em' } as const;
