import Box from '@mui/material/Box';
import { Fragment, type ReactNode } from 'react';

interface Props {
  readonly facts: readonly (readonly [string, ReactNode])[];
}

/** What is known of something, name and value side by side. */
export const Facts = ({ facts }: Props) => (
  <Box
    component="dl"
    sx={{
      display: 'grid',
      gridTemplateColumns: 'fit-content(45%) minmax(0, 1fr)',
      gap: '4px 18px',
      m: 0,
      '& dt': { color: 'text.secondary' },
      '& dd': { m: 0 },
      // Both units of a length go on two lines where there is no room for one.
      '& dd > span': { whiteSpace: 'normal' },
    }}
  >
    {facts.map(([name, value]) => (
      <Fragment key={name}>
        <dt>{name}</dt>
        <dd>{value}</dd>
      </Fragment>
    ))}
  </Box>
);
