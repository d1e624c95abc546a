'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { Link } from '../kit-of-parts/Link';
import type { ReactNode, Ref } from 'react';

/** Below this the bench is a phone in one hand: one column, the step gets the room. */
export const PHONE = '@media (max-width: 759.95px)';

/** One thing to be done, with its buttons below. */
export const BenchStep = ({ children }: { readonly children: ReactNode }) => (
  <Stack
    sx={{
      gap: 1.5,
      minHeight: '100%',
      maxWidth: 1000,
      p: '20px 28px 24px',
      // The number of a mark is as large as its step allows.
      containerType: 'inline-size',
      [PHONE]: { flex: 1, minHeight: 0, p: '14px 16px' },
    }}
  >
    {children}
  </Stack>
);

interface TitleProps {
  readonly children: ReactNode;
  readonly titleRef?: Ref<HTMLHeadingElement>;
}

export const BenchTitle = ({ children, titleRef }: TitleProps) => (
  <Typography
    variant="h1"
    ref={titleRef ?? null}
    tabIndex={titleRef ? -1 : undefined}
    sx={{ fontSize: 31, lineHeight: 1.15, '&:focus': { outline: 'none' }, [PHONE]: { fontSize: 25 } }}
  >
    {children}
  </Typography>
);

export const BenchDetail = ({ children }: { readonly children: ReactNode }) => (
  <Typography sx={{ fontSize: 18, lineHeight: 1.45 }}>{children}</Typography>
);

/** What leads on is always in reach of the thumb, however long the step is; on a phone it has a line to itself. */
export const BenchButtons = ({ children }: { readonly children: ReactNode }) => (
  <Stack
    direction="row"
    sx={{
      position: 'sticky',
      bottom: 0,
      // Above the labels of fields that scroll under it.
      zIndex: 2,
      gap: 1.75,
      m: 'auto 0 -24px',
      p: '12px 0 24px',
      bgcolor: 'background.default',
      '& > *': { flex: '1 1 0' },
      // What leads on is the widest.
      '& > :last-child': { flex: '2 1 0' },
      [PHONE]: {
        flexWrap: 'wrap',
        gap: 1,
        mb: '-14px',
        p: '8px 0 12px',
        '& > :last-child': { flex: '1 0 100%' },
        '& > :not(:last-child)': { flex: '1 1 28%', minWidth: 0, px: 0.75, fontSize: 16 },
      },
    }}
  >
    {children}
  </Stack>
);

// Larger than the bench's other buttons, whatever those are.
const LEADS_ON = {
  '&&&': { minHeight: 76, fontSize: 19, fontWeight: 700, textAlign: 'center' },
} as const;

/** What leads on where nothing has to be held. */
export const BenchPrimary = ({
  children,
  disabled = false,
  onClick,
}: {
  readonly children: ReactNode;
  readonly disabled?: boolean;
  readonly onClick: () => void;
}) => (
  <Button variant="contained" color="secondary" disabled={disabled} onClick={onClick} sx={LEADS_ON}>
    {children}
  </Button>
);

interface BenchLinkProps {
  readonly href: string;
  readonly quiet?: boolean;
  readonly children: ReactNode;
}

export const BenchLink = ({ href, quiet = false, children }: BenchLinkProps) => (
  <Button
    component={Link}
    href={href}
    variant={quiet ? 'outlined' : 'contained'}
    color={quiet ? 'primary' : 'secondary'}
    sx={quiet ? { '&&&': { minHeight: 76 } } : LEADS_ON}
  >
    {children}
  </Button>
);

/** Something else than the steps: what it is, and the way on. */
export const BenchMessage = ({
  title,
  text,
  href,
  action,
}: {
  readonly title: string;
  readonly text: string;
  readonly href: string;
  readonly action: string;
}) => (
  <BenchStep>
    <BenchTitle>{title}</BenchTitle>
    <BenchDetail>{text}</BenchDetail>
    <BenchButtons>
      <BenchLink href={href}>{action}</BenchLink>
    </BenchButtons>
  </BenchStep>
);

/** Something of an end is asked or taken back in a frame of its own. */
export const BenchAsk = ({ label, children }: { readonly label: string; readonly children: ReactNode }) => (
  <Stack
    component="section"
    aria-label={label}
    sx={{ gap: 1.5, p: '14px 16px', border: '2px solid', borderColor: 'error.main', borderRadius: 1 }}
  >
    {children}
  </Stack>
);

interface HeadProps {
  readonly home: string;
  readonly name: string;
  readonly where: ReactNode;
  readonly sleeps: boolean;
  readonly children: ReactNode;
}

/** Which end or crossing is on the bench, and who works. */
export const BenchHead = ({ home, name, where, sleeps, children }: HeadProps) => (
  <Stack
    component="header"
    direction="row"
    sx={{
      alignItems: 'center',
      gap: 2.25,
      minWidth: 0,
      minHeight: 60,
      px: 2.5,
      borderBottom: '2px solid',
      borderColor: 'divider',
      [PHONE]: { gap: 1.25, p: '6px 14px' },
    }}
  >
    <Box
      component={Link}
      href={home}
      sx={{
        py: 1.5,
        fontSize: 22,
        fontWeight: 700,
        color: 'inherit',
        textDecoration: 'none',
        whiteSpace: 'nowrap',
      }}
    >
      {name}
    </Box>
    <Typography noWrap sx={{ flex: 1, minWidth: 0, color: 'text.secondary', [PHONE]: { fontSize: 14 } }}>
      {where}
    </Typography>
    {sleeps ? (
      <Typography variant="quiet" component="span" sx={{ [PHONE]: { display: 'none' } }}>
        screen may sleep
      </Typography>
    ) : null}
    {children}
  </Stack>
);
