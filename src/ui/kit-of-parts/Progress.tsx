import LinearProgress from '@mui/material/LinearProgress';

interface Props {
  readonly label: string;
  /** 0 to 1; null while nobody can say. */
  readonly share: number | null;
}

/** How far something has come that takes its time. */
export const Progress = ({ label, share }: Props) => (
  <LinearProgress
    aria-label={label}
    {...(share === null ? {} : { variant: 'determinate' as const, value: Math.round(share * 100) })}
    sx={{ width: 220 }}
  />
);
