import type { TerminationView } from '@/core/termination-view';

/** What every station of a termination is given. */
export interface StationProps {
  readonly view: TerminationView;
  readonly lit: string | null;
  readonly onLight: (id: string | null) => void;
}
