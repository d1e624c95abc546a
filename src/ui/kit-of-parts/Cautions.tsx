import Box from '@mui/material/Box';

/** Cautions as a sheet lists them, under one bar. */
export const Cautions = ({ cautions }: { readonly cautions: readonly string[] }) =>
  cautions.length === 0 ? null : (
    <Box
      component="ul"
      sx={{
        m: '12px 0 0',
        p: '4px 0 4px 30px',
        fontSize: 13.5,
        borderLeft: '5px solid',
        borderColor: 'error.main',
      }}
    >
      {cautions.map((c) => (
        <li key={c}>{c}</li>
      ))}
    </Box>
  );
