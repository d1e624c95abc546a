'use client';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { SnackbarProvider } from 'notistack';
import type { ReactNode } from 'react';
import { UnitProvider } from '../common/unit';
import { DataProvider } from '../data/DataProvider';
import { ActorProvider } from '../shell/actor';
import { theme } from './theme';

/** Theme, messages, the name of who works, and the unit that is shown first. */
export function Providers({ actor, children }: { readonly actor: string; readonly children: ReactNode }) {
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      <CssBaseline enableColorScheme />
      <SnackbarProvider
        maxSnack={3}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
        autoHideDuration={7000}
        hideIconVariant
      >
        <DataProvider>
          <ActorProvider initial={actor}>
            <UnitProvider>{children}</UnitProvider>
          </ActorProvider>
        </DataProvider>
      </SnackbarProvider>
    </ThemeProvider>
  );
}
