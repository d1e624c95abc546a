/** The places of a job need 1000 px in their line: below this they come out of a drawer. */
export const FOLDED = '@media (max-width: 1099.95px)';
/** Here the bar shows what a thumb needs, and no names. */
export const PHONE_BAR = '@media (max-width: 700px)';
/** Below this there is no room for the list of ends beside the page: it comes out of the side. */
export const RACK_BESIDE = '(min-width: 1100px)';
