import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { SealView } from '@/core/crossing';
import { PlainList } from '../../kit-of-parts/PlainList';

const FILES = [
  ['crossing.pdf', 'Section, cut, parts and what was looked at', 'PDF'],
  ['section.svg', 'Across the axis to scale', 'SVG'],
  ['axis.svg', 'Along the axis to scale', 'SVG'],
  ['section.dxf', 'Across the axis to scale', 'DXF'],
  ['axis.dxf', 'Along the axis to scale', 'DXF'],
  ['table.csv', 'What lies where, parts, findings', 'CSV'],
] as const;

/** The plan in force as files. */
export function SealFiles({ view }: { readonly view: SealView }) {
  const base = `/api/job/${encodeURIComponent(view.job)}/crossing/${encodeURIComponent(view.name)}`;
  if (view.plans.length === 0)
    return <Typography variant="lead">Files come with the first plan that is taken.</Typography>;
  return (
    <PlainList ruled>
      {FILES.map(([file, title, format]) => (
        <Box
          component="li"
          key={file}
          sx={{ display: 'flex', justifyContent: 'space-between', maxWidth: 520 }}
        >
          <Link href={`${base}/${file}`} download aria-label={`${title}, ${format}`}>
            {title}
          </Link>
          <Typography component="small" variant="quiet">
            {format}
          </Typography>
        </Box>
      ))}
    </PlainList>
  );
}
