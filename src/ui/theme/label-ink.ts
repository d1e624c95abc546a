/** What comes out of a label printer is black on white, whatever the light of the page. */
export const LABEL_INK = { paper: '#FFFFFF', ink: '#000000' } as const;
