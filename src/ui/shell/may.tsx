'use client';
import Typography from '@mui/material/Typography';
import { createContext, useContext, type ReactNode } from 'react';
import type { CommandName } from '../data/contract';

/** What the person who is signed in may not do here, and who may, in words; the server decides it once more when it is asked. */
export type MayNot = Readonly<Partial<Record<CommandName, string>>>;

const MayContext = createContext<MayNot>({});

export const MayProvider = ({
  mayNot,
  children,
}: {
  readonly mayNot: MayNot;
  readonly children: ReactNode;
}) => <MayContext value={mayNot}>{children}</MayContext>;

/** Who may do this in the place of who is signed in, in words; undefined where that is whoever is signed in. */
export const useWhoElse = (what: CommandName): string | undefined => useContext(MayContext)[what];

interface Props {
  readonly what: CommandName;
  /** Says who may in its place, where the place would be empty without it. */
  readonly said?: boolean;
  readonly children: ReactNode;
}

/** What only some may do is not offered to the others. */
export function For({ what, said = false, children }: Props) {
  const who = useWhoElse(what);
  if (who === undefined) return children;
  return said ? <Typography color="text.secondary">For a {who}.</Typography> : null;
}
