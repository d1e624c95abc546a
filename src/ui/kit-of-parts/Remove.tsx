import IconButton from '@mui/material/IconButton';

interface Props {
  /** What it takes out, in words. */
  readonly label: string;
  readonly disabled?: boolean;
  readonly onClick: () => void;
}

/** Takes a line out of a list. */
export const Remove = ({ label, ...button }: Props) => (
  <IconButton
    {...button}
    aria-label={label}
    sx={{ width: 32, height: 32, fontSize: 18, color: 'text.secondary', '&:hover': { color: 'error.main' } }}
  >
    ×
  </IconButton>
);
