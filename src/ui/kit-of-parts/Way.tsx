import Breadcrumbs from '@mui/material/Breadcrumbs';
import Typography from '@mui/material/Typography';
import { To } from './To';

interface Props {
  /** The places above this one, each with its address. */
  readonly from: readonly (readonly [words: string, href: string])[];
  readonly here: string;
}

/** The way from the job's places to what lies below one of them, and back. */
export const Way = ({ from, here }: Props) => (
  <Breadcrumbs aria-label="Way" separator="›" sx={{ mb: 0.5 }}>
    {from.map(([words, href]) => (
      <To key={href} href={href}>
        {words}
      </To>
    ))}
    <Typography component="span" variant="quiet" aria-current="page">
      {here}
    </Typography>
  </Breadcrumbs>
);
