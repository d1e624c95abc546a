import type { JointHalf } from './half';
import type { PinsPlan } from './pins';

/** What the sheet of a plug-in half says of its contacts besides their lengths. */
export interface PlugInPlan {
  /** Where each core goes; left out where the sheet does not number its positions. */
  readonly pins?: PinsPlan;
  readonly contacts: number;
  /** Which half of an in-line joint it is; left out of any other. */
  readonly half?: JointHalf;
  readonly joint?: 'crimp' | 'setScrew';
  readonly crimp?: { readonly die: string; readonly form: string; readonly bareMaxMm: number };
  readonly liveCap: boolean;
  readonly mateStage?: string;
}
