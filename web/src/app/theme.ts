import { createTheme } from '@mui/material/styles';
import { litStyles } from '../ui/lit';

declare module '@mui/material/styles' {
  interface Palette {
    drawing: Drawing;
  }
  interface PaletteOptions {
    drawing: Drawing;
  }
}

/** Tones of the drawings: quiet fills under ink lines. */
interface Drawing {
  wall: string;
  floor: string;
  line: string;
  lamp: string;
  rigs: string[];
}

/** Figures stand in the companion face, all digits equally wide. */
export const figureFont = '"Atkinson Hyperlegible Mono Variable", ui-monospace, monospace';

const sansFont = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif';

/** Two lights: Daylight for desk and sun, Set for a dark stage. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-light' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#0b5563', contrastText: '#ffffff' },
        warning: { main: '#a33a0f', contrastText: '#ffffff' },
        error: { main: '#a33a0f', contrastText: '#ffffff' },
        background: { default: '#efede7', paper: '#fbfaf7' },
        text: { primary: '#15191b', secondary: '#4d5457' },
        divider: '#d3d0c7',
        action: { active: '#4d5457' },
        drawing: {
          wall: '#e9e6dd',
          floor: '#d9d4c6',
          line: '#8b8778',
          lamp: '#c9871f',
          rigs: ['#14507d', '#7d4a00', '#6a2c70', '#2a6049', '#7b2d34', '#4a4a7a', '#3d5a1e', '#5c4a3a'],
        },
      },
    },
    dark: {
      palette: {
        primary: { main: '#79b8bd', dark: '#8fc6ca', contrastText: '#10100e' },
        warning: { main: '#ee8f62', contrastText: '#10100e' },
        error: { main: '#ee8f62', contrastText: '#10100e' },
        background: { default: '#12100d', paper: '#1b1814' },
        text: { primary: '#d8cdbb', secondary: '#a2978a' },
        divider: '#3a342c',
        action: { active: '#a2978a' },
        drawing: {
          wall: '#262119',
          floor: '#312a20',
          line: '#7d7363',
          lamp: '#d9a45a',
          rigs: ['#8ab6d9', '#d8ab62', '#c79bd0', '#8cc0a5', '#d99a9f', '#a9a9dd', '#a9c084', '#c4ad97'],
        },
      },
    },
  },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: sansFont,
    fontSize: 14,
    button: { textTransform: 'none', fontWeight: 560 },
    h1: { fontSize: '1.25rem', fontWeight: 650 },
    h2: { fontSize: '1rem', fontWeight: 650 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: { defaultProps: { disableElevation: true }, styleOverrides: { root: { minHeight: 40 } } },
    MuiIconButton: { styleOverrides: { root: { minWidth: 40, minHeight: 40, borderRadius: 4 } } },
    MuiInputBase: { styleOverrides: { input: { textOverflow: 'ellipsis' } } },
    // A dialog is as dark as what it lies over: nothing glares on a dark stage.
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiTooltip: { defaultProps: { enterDelay: 400, disableInteractive: true } },
    MuiCssBaseline: {
      styleOverrides: {
        html: { height: '100%' },
        ...litStyles,
        body: { height: '100%' },
        '#root': { height: '100%' },
        '.figure': { fontFamily: figureFont },
        '.figure .unit': { fontFamily: sansFont, fontSize: '0.86em', paddingLeft: '0.2em' },
        '*:focus-visible': { outline: '2px solid var(--mui-palette-primary-main)', outlineOffset: 2 },
        '@media (prefers-reduced-motion: reduce)': { '*': { transition: 'none !important', animation: 'none !important' } },
      },
    },
  },
});
