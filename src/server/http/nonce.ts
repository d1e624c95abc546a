/** Carries the nonce of an answer's content policy to the page that is made for it. */
export const NONCE_HEADER = 'x-nonce';
