import '@fontsource-variable/bricolage-grotesque';
import '@fontsource-variable/public-sans';
import { createTheme } from '@mui/material/styles';
import { chosenByPress } from './parts/chosen-by-press.ts';

/** Characterful grotesque for headings and figures, a plain legible face for text. */
const HEAD = "'Bricolage Grotesque Variable', 'Public Sans Variable', sans-serif";
const TEXT = "'Public Sans Variable', system-ui, sans-serif";

/** Amber means lit and is used for nothing else; brick means out. */
export const AMBER = '#eb9a1e';

declare module '@mui/material/styles' {
  interface Palette {
    out: string;
    line: string;
  }
  interface PaletteOptions {
    out?: string;
    line?: string;
  }
}

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-theme' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#1f2637', contrastText: '#fffaf0' },
        secondary: { main: '#1b6468' },
        error: { main: '#a3341f' },
        background: { default: '#f6f0e2', paper: '#fffaf0' },
        text: { primary: '#1f2637', secondary: '#565c6d' },
        divider: '#ddd0b6',
        out: '#a3341f',
        line: '#c9bb9d',
      },
    },
    dark: {
      palette: {
        primary: { main: '#f1e9d8', contrastText: '#171c29' },
        secondary: { main: '#7cc4c4' },
        error: { main: '#f2917c' },
        background: { default: '#151a26', paper: '#1e2535' },
        text: { primary: '#f3ecdd', secondary: '#b3b6c2' },
        divider: '#3a4256',
        out: '#f2917c',
        line: '#4b546b',
      },
    },
  },
  shape: { borderRadius: 10 },
  typography: {
    fontFamily: TEXT,
    h1: { fontFamily: HEAD, fontWeight: 700, fontSize: '1.75rem', lineHeight: 1.15 },
    h2: { fontFamily: HEAD, fontWeight: 700, fontSize: '1.2rem', lineHeight: 1.25 },
    h3: { fontFamily: HEAD, fontWeight: 650, fontSize: '1rem', lineHeight: 1.3 },
    button: { textTransform: 'none', fontWeight: 650 },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        body: { fontVariantNumeric: 'lining-nums' },
        // Figures line up where they are compared.
        'table, [role="status"]': { fontVariantNumeric: 'tabular-nums lining-nums' },
        ':focus-visible': { outline: '3px solid #2f7f86', outlineOffset: 2 },
      },
    },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: { defaultProps: { disableElevation: true } },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiSelect: { defaultProps: { MenuProps: { slotProps: { paper: chosenByPress } } } },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiTooltip: { defaultProps: { arrow: true } },
  },
});

export const headFont = HEAD;
