import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { SealStep } from '@/core/soft-seal';

/** How a seal that is closed is opened and closed again, step by step. */
export const LaterSteps = ({ steps }: { readonly steps: readonly SealStep[] }) => (
  <Box component="ol" sx={{ my: 1, pl: 2.75, '& li': { mb: 1 } }}>
    {steps.map((s) => (
      <li key={s.id}>
        <b>{s.title}</b>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {s.detail} {(s.list ?? []).join('; ')}
        </Typography>
      </li>
    ))}
  </Box>
);
