/** MUI dressed in the identity: flat, square, no ripple, no capitals, no shadow. */
import { createTheme, type Theme } from '@mui/material/styles';
import { FONT_TEXT, PALETTES, type Mode } from './tokens.js';

export function makeTheme(mode: Mode): Theme {
  const c = PALETTES[mode];
  return createTheme({
    palette: {
      mode: mode === 'night' ? 'dark' : 'light',
      primary: { main: c.act, contrastText: c.onAct },
      error: { main: c.danger },
      background: { default: c.page, paper: c.sheet },
      text: { primary: c.ink, secondary: c.ink2 },
      divider: c.hair,
    },
    shape: { borderRadius: 2 },
    shadows: Array(25).fill('none') as Theme['shadows'],
    typography: {
      fontFamily: FONT_TEXT,
      fontSize: 16,
      button: { textTransform: 'none', fontSize: 18, lineHeight: '24px', fontWeight: 500 },
    },
    transitions: {
      duration: {
        shortest: 0,
        shorter: 0,
        short: 0,
        standard: 120,
        complex: 120,
        enteringScreen: 120,
        leavingScreen: 0,
      },
    },
    components: {
      MuiButtonBase: { defaultProps: { disableRipple: true, disableTouchRipple: true } },
      MuiButton: {
        defaultProps: { disableElevation: true },
        styleOverrides: {
          root: {
            minHeight: 48,
            padding: '0 16px',
            borderWidth: 2,
            borderRadius: 2,
            '&.Mui-focusVisible': { outline: `3px solid ${c.act}`, outlineOffset: 2 },
          },
          outlined: {
            borderColor: c.edge,
            color: c.ink,
            borderWidth: 2,
            '&:hover': { borderColor: c.ink, backgroundColor: c.rail, borderWidth: 2 },
          },
        },
      },
      MuiOutlinedInput: {
        styleOverrides: {
          root: { fontSize: 18, backgroundColor: c.sheet },
          notchedOutline: { borderColor: c.edge, borderWidth: 2 },
        },
      },
      MuiInputLabel: { styleOverrides: { root: { color: c.ink2 } } },
      MuiPaper: {
        styleOverrides: { root: { backgroundImage: 'none', border: `1px solid ${c.edge}`, borderRadius: 0 } },
      },
      MuiTooltip: {
        styleOverrides: { tooltip: { fontSize: 15, backgroundColor: c.ink, color: c.page, borderRadius: 0 } },
      },
      MuiToggleButton: {
        styleOverrides: {
          root: {
            minHeight: 48,
            padding: '0 16px',
            fontSize: 18,
            color: c.ink,
            borderColor: c.edge,
            borderWidth: 2,
            textTransform: 'none',
            '&.Mui-selected, &.Mui-selected:hover': { backgroundColor: c.act, color: c.onAct, borderColor: c.act },
          },
        },
      },
      MuiMenuItem: { styleOverrides: { root: { minHeight: 48, fontSize: 18 } } },
    },
  });
}
