import Box from '@mui/material/Box';

/** Where a chart comes in a moment: as high as it will be, so that nothing moves under a hand. */
export const ChartComing = () => <Box aria-hidden sx={{ width: '100%', maxWidth: 680, height: 200 }} />;

/** In the place of a chart whose own code could not be loaded. */
export const NoChart = () => (
  <p>The chart could not be loaded. What it shows stands in words and figures above.</p>
);
