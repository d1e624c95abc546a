import { threadName } from '@/core/catalogue';
import type { Wording } from '@/core/kernel';
import type { EngagementCases } from '../engagement';
import type { ThreadCases } from '../entry-fit';
import type { JointName } from '../joint';
import { ACCESSORY_WORDS, tenths } from './small-words';

const JOINTS: Readonly<Record<JointName, string>> = {
  glandInEntry: 'gland in the entry',
  adaptorInEntry: 'adaptor in the entry',
  glandInAdaptor: 'gland in the adaptor',
  locknutOnGland: 'locknut on the gland',
};

/** How the gland gets into the entry. */
export const THREADS: Wording<ThreadCases> = {
  differs: ({ entry, gland }) =>
    `the entry is ${entry === null ? 'clearance hole' : threadName(entry)}, the gland ${threadName(gland)}; no single certified adaptor in the catalogue joins them`,
  straight: ({ thread }) => `${threadName(thread)} straight into the entry`,
  adaptor: ({ gland, part, male, covered }) =>
    `${threadName(gland)} through adaptor ${part} into ${threadName(male)}${covered ? '' : '; whether its certificate covers the place is not known'}`,
  clearanceNotFlameproof: () => 'a clearance hole is never a flameproof entry',
  taperedInHole: () => 'a tapered thread does not hold in a clearance hole',
  hole: ({ thread, holeMm, byUm }) =>
    `hole of ${holeMm} mm for ${threadName(thread)}: ${tenths(Math.abs(byUm))} mm ${byUm < 0 ? 'too small' : 'too wide'}`,
  locknut: ({ thread, holeMm }) => `${threadName(thread)} through the ${holeMm} mm hole with a locknut`,
  ownPart: () => 'nothing is screwed into this entry',
};

const short = (um: number): string => (um > 0 ? `: ${tenths(um)} mm short` : '');

/** How the threads engage. */
export const ENGAGEMENTS: Wording<EngagementCases> = {
  threadsDiffer: () => 'nothing engages: the threads differ',
  notInHole: () => 'nothing engages in this hole',
  tapersUnsaid: ({ joint, part }) =>
    `a tapered thread engages as the sheets of both parts say; that of the ${part} part does not give it (${JOINTS[joint]}), so it is refused`,
  tapered: ({ joint, threads, asked, shortUm }) =>
    `${JOINTS[joint]}: ${threads} threads wrench-tight, ${asked} asked for${short(shortUm)}`,
  parallel: ({ joint, threads, engagedUm, asked, askedUm, shortUm }) =>
    `${JOINTS[joint]}: ${threads} full threads, ${tenths(engagedUm)} mm; ${asked} threads and ${tenths(askedUm)} mm asked for${short(shortUm)}`,
  noAccessory: ({ kind, thread }) =>
    `the catalogue has no ${ACCESSORY_WORDS[kind]} for ${threadName(thread)}, so its thickness is not known`,
  ownPart: () => 'nothing is screwed in: it is a part of the device, or mates with it',
  throughPlate: ({ threadUm, stackUm, shortUm }) =>
    `thread ${tenths(threadUm)} mm, washers, plate and locknut ${tenths(stackUm)} mm${short(shortUm)}`,
};
