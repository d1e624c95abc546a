import { toUm } from '@/core/kernel';

export type JointName = 'glandInEntry' | 'adaptorInEntry' | 'glandInAdaptor' | 'locknutOnGland';

/** One threaded joint: how much of the thread is really engaged. Lengths in µm. */
export interface Joint {
  readonly name: JointName;
  readonly engagedUm: number;
  readonly fullThreads: number;
  readonly marginUm: number;
}

/** The two halves of a parallel joint, along one axis from the shoulder of the male part. µm. */
export interface JointParts {
  readonly maleUm: number;
  readonly undercutUm: number;
  /** Washers and tags between shoulder and wall. */
  readonly stackUm: number;
  readonly wallUm: number;
  readonly chamferUm: number;
}

/**
 * Axial length of parallel threads that engage. The male thread has its length less washers and tags, less the larger of its undercut and
 * the hole's chamfer, which overlap at the shoulder; the hole has its wall less its chamfer, and where the undercut reaches deeper than
 * washers and chamfer, less what lies opposite the undercut. The least of these holds; never below 0. Source: geometry; IEC 60079-1 asks for
 * the engaged length.
 */
export function engagedUm({ maleUm, undercutUm, stackUm, wallUm, chamferUm }: JointParts): number {
  const male = maleUm - stackUm - Math.max(undercutUm, chamferUm);
  const hole = wallUm - Math.max(chamferUm, undercutUm - stackUm);
  return Math.max(0, Math.min(male, hole));
}

export function parallelJoint(name: JointName, parts: JointParts, pitchMm: number, neededUm: number): Joint {
  const engaged = engagedUm(parts);
  return {
    name,
    engagedUm: engaged,
    fullThreads: Math.floor(engaged / toUm(pitchMm)),
    marginUm: engaged - neededUm,
  };
}
