/** Places a cable is listed for in division-style codes: class and division, or for use in a tray. */
export const CABLE_LISTINGS = ['I/1', 'I/2', 'II/1', 'II/2', 'III', 'tray'] as const;
