/** Carries the nonce of an answer's content policy to the page that is made for it. */
export const NONCE_HEADER = 'x-nonce';

/** Carries what was asked for, to come back to after signing in. Whatever came under this name from outside is overwritten. */
export const PATH_HEADER = 'x-asked-path';

/** By which id a request is known, from the proxy in front to the statements of the database. */
export const REQUEST_HEADER = 'x-request-id';
