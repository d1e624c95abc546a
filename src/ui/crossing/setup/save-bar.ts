/** A hundred cables make a long list: what keeps it stays in reach. */
export const SAVE_BAR = {
  position: 'sticky',
  zIndex: 2,
  bottom: { xs: 0, md: -32 },
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'center',
  gap: '8px 14px',
  p: '10px 0 12px',
  bgcolor: 'background.default',
  borderTop: '2px solid',
  borderColor: 'divider',
} as const;

/** As high as it stands over what scrolls below it. */
export const SAVE_BAR_PX = '104px';
