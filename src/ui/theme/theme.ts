'use client';
import { createTheme } from '@mui/material/styles';
import type { CSSProperties } from 'react';

declare module '@mui/material/styles' {
  interface TypographyVariants {
    lead: CSSProperties;
    quiet: CSSProperties;
  }
  interface TypographyVariantsOptions {
    lead?: CSSProperties;
    quiet?: CSSProperties;
  }
}
declare module '@mui/material/Typography' {
  interface TypographyPropsVariantOverrides {
    /** What a place is for, under its title. */
    lead: true;
    /** What is said beside the matter. */
    quiet: true;
  }
}

// Archivo has no Greek: the ohm comes from a face that ships as well, and is loaded only where it is written.
const face = '"Archivo Variable", Archivo, "Commissioner Variable", system-ui, sans-serif';
const flat = Array.from({ length: 25 }, () => 'none') as unknown as ReturnType<typeof createTheme>['shadows'];

/** The house look on MUI's parts: flat, 2 px rules, 3 px corners, no shadows, amber as the one accent. Colours are those of tokens.css. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#1C2024', contrastText: '#FFFCF4' },
        secondary: { main: '#E59E13', contrastText: '#1C2024' },
        error: { main: '#A1331E' },
        warning: { main: '#8A5B00' },
        success: { main: '#2C6A4C' },
        info: { main: '#3B4C8C' },
        background: { default: '#F5F1E6', paper: '#FFFCF4' },
        text: { primary: '#1C2024', secondary: '#5A6268' },
        divider: '#D8D0BD',
      },
    },
    dark: {
      palette: {
        primary: { main: '#ECE6D8', contrastText: '#15181B' },
        secondary: { main: '#FFB733', contrastText: '#15181B' },
        error: { main: '#F08A73' },
        warning: { main: '#F0B95A' },
        success: { main: '#6CC79A' },
        info: { main: '#9DB0F0' },
        background: { default: '#15181B', paper: '#1E2226' },
        text: { primary: '#ECE6D8', secondary: '#A9AFB3' },
        divider: '#363C41',
      },
    },
  },
  shape: { borderRadius: 3 },
  shadows: flat,
  typography: {
    fontFamily: face,
    fontSize: 14,
    button: { textTransform: 'none', fontWeight: 600 },
    h1: {
      fontSize: 26,
      fontWeight: 700,
      fontVariationSettings: '"wdth" 108',
      letterSpacing: '-0.01em',
      lineHeight: 1.2,
    },
    h2: { fontSize: 19, fontWeight: 650, lineHeight: 1.3 },
    h3: { fontSize: 17, fontWeight: 650, lineHeight: 1.3 },
    body1: { fontSize: 15, lineHeight: 1.4 },
    body2: { fontSize: 14, lineHeight: 1.4 },
    lead: { fontSize: 15, lineHeight: 1.35, maxWidth: 860, margin: '4px 0 12px' },
    quiet: { fontSize: 13.5, lineHeight: 1.35 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: {
        root: {
          borderRadius: 3,
          padding: '7px 16px',
          borderWidth: 2,
          minHeight: 40,
          '[data-bench] &': { minHeight: 56, fontSize: 17 },
        },
        outlined: {
          borderWidth: 2,
          borderColor: 'var(--ac-strong)',
          color: 'var(--ac-ink)',
          '&:hover': { borderWidth: 2 },
        },
        sizeSmall: { minHeight: 32, padding: '3px 10px' },
        // For gloves.
        sizeLarge: { minHeight: 56, padding: '10px 22px', fontSize: 18 },
      },
      variants: [
        {
          props: { variant: 'contained', color: 'secondary' },
          style: {
            background: 'var(--ac-amber)',
            color: 'var(--ac-on-amber)',
            '&:hover': { background: 'var(--ac-amber)', filter: 'brightness(0.95)' },
          },
        },
      ],
    },
    MuiTypography: {
      defaultProps: { variantMapping: { lead: 'p', quiet: 'p' } },
      styleOverrides: {
        root: {
          variants: [
            { props: { variant: 'lead' }, style: { color: 'var(--ac-quiet)' } },
            { props: { variant: 'quiet' }, style: { color: 'var(--ac-quiet)' } },
          ],
        },
      },
    },
    MuiLink: {
      defaultProps: { underline: 'always' },
      styleOverrides: { root: { color: 'var(--ac-amber-text)', fontWeight: 600 } },
    },
    MuiCheckbox: {
      styleOverrides: {
        root: { padding: 6, color: 'var(--ac-quiet)', '&.Mui-checked': { color: 'var(--ac-strong)' } },
      },
    },
    MuiLinearProgress: {
      styleOverrides: {
        root: {
          height: 14,
          border: '2px solid var(--ac-strong)',
          borderRadius: 3,
          background: 'var(--ac-surface)',
        },
        bar: { background: 'var(--ac-amber)' },
      },
    },
    MuiOutlinedInput: {
      styleOverrides: {
        root: {
          background: 'var(--ac-surface)',
          '[data-bench] &': { fontSize: 24, fontWeight: 650, minHeight: 60 },
          '& .MuiOutlinedInput-notchedOutline': { borderWidth: 2, borderColor: 'var(--ac-rule)' },
          '&:hover .MuiOutlinedInput-notchedOutline': { borderColor: 'var(--ac-quiet)' },
          '&.Mui-focused .MuiOutlinedInput-notchedOutline': { borderColor: 'var(--ac-hold)' },
        },
      },
    },
    MuiTable: {
      styleOverrides: {
        root: {
          width: 'auto',
          '& caption': {
            captionSide: 'top',
            padding: '0 0 4px',
            color: 'var(--ac-quiet)',
            textAlign: 'left',
          },
        },
      },
    },
    MuiTableCell: {
      styleOverrides: {
        root: {
          padding: '6px 16px 6px 0',
          fontSize: 14,
          lineHeight: 1.4,
          color: 'inherit',
          verticalAlign: 'top',
          borderBottom: '1px solid var(--ac-rule)',
          'tbody th&': { fontWeight: 600 },
        },
        sizeSmall: { padding: '6px 16px 6px 0' },
        head: {
          fontSize: 13,
          fontWeight: 600,
          color: 'var(--ac-quiet)',
          borderBottom: '2px solid var(--ac-strong)',
        },
      },
    },
    MuiAlert: {
      styleOverrides: {
        root: {
          padding: '4px 0 4px 12px',
          borderRadius: 0,
          borderLeft: '5px solid',
          background: 'transparent',
          color: 'var(--ac-ink)',
          fontSize: 'inherit',
          lineHeight: 1.4,
          variants: [
            { props: { severity: 'error' }, style: { borderLeftColor: 'var(--ac-stop)' } },
            { props: { severity: 'info' }, style: { borderLeftColor: 'var(--ac-hold)' } },
            { props: { severity: 'warning' }, style: { borderLeftColor: 'var(--ac-marginal)' } },
          ],
        },
        message: { padding: 0 },
      },
    },
    MuiToggleButtonGroup: {
      styleOverrides: {
        root: {
          width: 'fit-content',
          maxWidth: '100%',
          flexWrap: 'wrap',
          padding: '0 2px 2px 0',
          background: 'transparent',
          '[data-bench] & > *': { flex: '1 1 auto' },
          // Each has its own edge, over that of the one beside it: where they stand in several rows, as on a phone, all of them are whole.
          '& > .MuiToggleButtonGroup-grouped.MuiToggleButtonGroup-grouped': {
            margin: '0 -2px -2px 0',
            border: '2px solid var(--ac-rule)',
            borderRadius: 2,
            background: 'var(--ac-surface)',
            '&.Mui-selected': {
              zIndex: 1,
              borderColor: 'var(--ac-strong)',
              background: 'var(--ac-strong)',
            },
          },
        },
      },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          border: '2px solid var(--ac-rule)',
          minHeight: 34,
          padding: '2px 12px',
          fontSize: 13.5,
          color: 'var(--ac-quiet)',
          whiteSpace: 'nowrap',
          '[data-bench] &': { minHeight: 58, fontSize: 16 },
          '&:hover': { color: 'var(--ac-ink)' },
          '&.Mui-selected, &.Mui-selected:hover': {
            background: 'var(--ac-strong)',
            color: 'var(--ac-ground)',
          },
        },
      },
    },
    MuiListSubheader: {
      styleOverrides: { root: { lineHeight: '34px', background: 'transparent', color: 'var(--ac-quiet)' } },
    },
    MuiListItemButton: {
      styleOverrides: {
        root: {
          minHeight: 44,
          borderLeft: '4px solid transparent',
          '&.Mui-selected': {
            borderLeftColor: 'var(--ac-amber)',
            fontWeight: 650,
            background: 'var(--ac-sunken)',
          },
        },
      },
    },
    MuiDrawer: {
      styleOverrides: {
        paper: { background: 'var(--ac-ground)', borderRight: '2px solid var(--ac-strong)' },
      },
    },
    MuiInputLabel: {
      styleOverrides: { root: { color: 'var(--ac-quiet)', '[data-bench] &': { fontSize: 24 } } },
    },
    MuiFormHelperText: { styleOverrides: { root: { fontSize: 13, '[data-bench] &': { fontSize: 16 } } } },
    MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiDialog: { styleOverrides: { paper: { border: '2px solid var(--ac-strong)' } } },
    MuiTooltip: {
      styleOverrides: {
        tooltip: {
          maxWidth: 420,
          padding: '6px 10px',
          background: 'var(--ac-ink)',
          color: 'var(--ac-ground)',
          fontSize: 13,
          fontWeight: 400,
        },
      },
    },
    // A list that still grows is not where it is seen: a quick hand meets the line above or below the one it means.
    MuiMenu: {
      defaultProps: { transitionDuration: 0 },
      styleOverrides: { paper: { border: '2px solid var(--ac-strong)', borderRadius: 3 } },
    },
    MuiMenuItem: {
      styleOverrides: {
        root: {
          minHeight: 48,
          borderLeft: '4px solid transparent',
          '&.Mui-selected': { borderLeftColor: 'var(--ac-amber)', background: 'var(--ac-sunken)' },
        },
      },
    },
    MuiSkeleton: {
      defaultProps: { animation: 'wave' },
      styleOverrides: { root: { background: 'var(--ac-sunken)', borderRadius: 3 } },
    },
    MuiBreadcrumbs: {
      styleOverrides: { root: { fontSize: 13.5 }, separator: { marginInline: 6, color: 'var(--ac-quiet)' } },
    },
    MuiTabs: {
      styleOverrides: {
        root: { minHeight: 40, borderBottom: '2px solid var(--ac-rule)' },
        indicator: { height: 4, background: 'var(--ac-amber)' },
      },
    },
    MuiTab: {
      styleOverrides: {
        root: {
          minWidth: 0,
          minHeight: 40,
          // Five heads stand side by side on a phone.
          padding: '6px 8px',
          '@media (min-width: 1200px)': { padding: '6px 14px' },
          fontSize: 14,
          color: 'var(--ac-quiet)',
          '&:hover': { color: 'var(--ac-ink)' },
          '&.Mui-selected': { color: 'var(--ac-ink)', fontWeight: 650 },
        },
      },
    },
  },
});
