import Box from '@mui/material/Box';
import { lookDrawing } from '@/core/make-off';
import type { Step } from '@/core/record';
import { DrawingSvg } from '../drawing/DrawingSvg';

/** What each way out of a look means, side by side, to be held against what is seen. */
export const LookFaces = ({ step }: { readonly step: Step }) => (
  <Box component="ul" aria-label="What to compare with" sx={ROW}>
    {(step.branches ?? []).map(({ decision, button }) => {
      const drawing = lookDrawing(decision);
      return (
        <Box component="li" key={decision}>
          <DrawingSvg drawing={drawing} />
          <Box component="b" sx={{ display: 'block', fontSize: 16 }}>
            {button.replace(/^Hold: /, '').replace(/^./, (c) => c.toUpperCase())}
          </Box>
          <Box component="span" sx={{ fontSize: 15, color: 'text.secondary' }}>
            {drawing.description}
          </Box>
        </Box>
      );
    })}
  </Box>
);

const ROW = {
  listStyle: 'none',
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fit, minmax(96px, 150px))',
  gap: 2,
  m: 0,
  p: 0,
} as const;
