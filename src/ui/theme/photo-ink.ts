/** What is drawn on a photo, whatever the light of the page: it is kept with the photo, light in dark, so that it is seen on copper and on shadow. */
export const PHOTO_INK = { edge: '#15181B', line: '#FFB733' } as const;
