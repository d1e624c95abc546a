'use client';
import Button from '@mui/material/Button';

interface Props {
  readonly job: string;
  readonly what: 'types' | 'boxes';
}

/** The table as a file that can be edited in a spreadsheet and given back. */
export const SaveTable = ({ job, what }: Props) => (
  <>
    {(['csv', 'xlsx'] as const).map((format) => (
      <Button
        key={format}
        size="small"
        variant="outlined"
        href={`/api/job/${encodeURIComponent(job)}/setup/${what}.${format}`}
      >
        {format === 'csv' ? 'Save as CSV' : 'Save as workbook'}
      </Button>
    ))}
  </>
);
