/** The longest side of a photo that is kept, pixels: a wire end 0.5 mm thick is still seen over a hand's breadth. */
export const PHOTO_SIDE = 1600;

/** The largest photo that is kept, bytes. */
export const MAX_PHOTO_BYTES = 900_000;

/** The largest file that is read to make one of. */
export const MAX_CHOSEN_BYTES = 30 * 1024 * 1024;

/** The most pixels that a tablet is asked to hold at once. */
export const MAX_CHOSEN_PIXELS = 50_000_000;

/** Most photos with one step. */
export const MOST_PHOTOS = 6;
