/** How an instrument that ships stands on a page: a case with its display. */
export const CASE = {
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'stretch',
  gap: 2,
  width: 'fit-content',
  maxWidth: '100%',
  mt: 1.5,
  p: 2,
  border: '3px solid',
  borderColor: 'text.primary',
  borderRadius: '14px',
  bgcolor: 'background.paper',
} as const;

export const DISPLAY = {
  display: 'flex',
  flexDirection: 'column',
  justifyContent: 'center',
  width: 190,
  minHeight: 72,
  px: 1.5,
  border: '2px solid',
  borderColor: 'divider',
  borderRadius: 1,
  fontVariantNumeric: 'tabular-nums',
  '& b': { fontSize: 30, lineHeight: 1.2 },
  '& span': { fontSize: 14 },
} as const;

/** What is pressed on an instrument, with a glove. */
export const PRESS = { minHeight: 72, minWidth: 132 } as const;
