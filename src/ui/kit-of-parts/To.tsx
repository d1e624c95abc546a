'use client';
import MuiLink from '@mui/material/Link';
import { Link } from './Link';
import type { SxProps } from '@mui/material/styles';
import type { ReactNode } from 'react';

interface Props {
  readonly href: string;
  /** The key that follows it. */
  readonly shortcut?: string;
  readonly sx?: SxProps;
  readonly children: ReactNode;
}

/** A link to another place. */
export const To = ({ href, shortcut, sx = {}, children }: Props) => (
  <MuiLink component={Link} href={href} data-shortcut={shortcut} sx={sx}>
    {children}
  </MuiLink>
);
