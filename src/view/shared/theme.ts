'use client';
import { createTheme } from '@mui/material/styles';

const palette = (dark: boolean) => ({
  primary: { main: dark ? '#e0894a' : '#a04c16', contrastText: dark ? '#161c20' : '#fbf8f1' },
  text: { primary: dark ? '#ece5d6' : '#1f2d36', secondary: dark ? '#a3aaa8' : '#56636a' },
  background: { default: dark ? '#161c20' : '#f5f1e8', paper: dark ? '#1c2429' : '#fbf8f1' },
  divider: dark ? '#3a454c' : '#cfc7b8',
  error: { main: dark ? '#ee8a73' : '#a5301f' },
});

/** Paper, ink and copper over the component library: flat, hairlines, no ripple, no capitals. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-mui-color-scheme' },
  colorSchemes: { light: { palette: palette(false) }, dark: { palette: palette(true) } },
  shape: { borderRadius: 3 },
  typography: {
    fontFamily: "'Archivo Variable', sans-serif",
    fontSize: 13,
    button: { textTransform: 'none', fontWeight: 560, letterSpacing: 0 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { size: 'small', disableElevation: true },
      styleOverrides: {
        root: { borderRadius: 3, minWidth: 0, lineHeight: 1.5, paddingInline: 10 },
      },
    },
    MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiDialog: {
      styleOverrides: {
        paper: {
          border: '1px solid var(--hairline)',
          boxShadow: '0 10px 40px rgb(31 45 54 / 22%)',
        },
      },
    },
    MuiTextField: { defaultProps: { size: 'small', variant: 'standard' } },
    MuiInput: {
      styleOverrides: {
        root: { fontVariantNumeric: 'tabular-nums' },
        underline: { '&::before': { borderColor: 'var(--hairline)' } },
      },
    },
    MuiTooltip: {
      styleOverrides: {
        tooltip: { background: 'var(--ink)', color: 'var(--paper)', fontSize: 12, borderRadius: 2 },
      },
    },
    MuiSlider: {
      styleOverrides: {
        root: { color: 'var(--copper)' },
        thumb: {
          boxShadow: 'none',
          '&:hover, &.Mui-focusVisible': { boxShadow: '0 0 0 6px var(--wash)' },
        },
        rail: { background: 'var(--hairline)', opacity: 1 },
      },
    },
  },
});
