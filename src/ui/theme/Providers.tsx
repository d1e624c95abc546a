'use client';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { SnackbarProvider } from 'notistack';
import type { ReactNode } from 'react';
import { UnitProvider } from '../common/unit';
import { DataProvider } from '../data/DataProvider';
import { ActorProvider, type SignedInPerson } from '../shell/actor';
import { theme } from './theme';

/** Theme, messages, who is signed in, and the unit that is shown first. */
export function Providers({
  person,
  children,
}: {
  readonly person: SignedInPerson | null;
  readonly children: ReactNode;
}) {
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
          <ActorProvider person={person}>
            <UnitProvider>{children}</UnitProvider>
          </ActorProvider>
        </DataProvider>
      </SnackbarProvider>
    </ThemeProvider>
  );
}
