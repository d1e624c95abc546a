/** The halves of an in-line joint. Sockets are on the cable that feeds: what stands bare when they part must not be live. */
export const JOINT_HALVES = ['sockets', 'pins'] as const;
export type JointHalf = (typeof JOINT_HALVES)[number];
