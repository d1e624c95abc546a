/** A place whose list has the rest of the height to itself and scrolls alone. */
export const WHOLE_PLACE = {
  flex: 1,
  minHeight: 0,
  minWidth: 0,
  p: { xs: '12px 14px', md: '16px 24px' },
} as const;
