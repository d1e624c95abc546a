import type { Shown } from '@/core/instrument';

export interface DeviceProps {
  /** What it shows when it is asked to. */
  readonly onShown: (shown: Shown) => void;
}
