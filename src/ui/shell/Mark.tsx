import { STATIONS } from '@/core/record';
import type { Arc } from '@/core/procedure';
import { Collar } from '../collar/Collar';

const ARCS: readonly Arc[] = STATIONS.map((station, i) => ({
  station,
  state: i === 4 ? 'todo' : 'done',
  share: i === 4 ? 0 : 1,
  result: '',
}));

/** The sign of the product: a collar with one station to go. */
export const Mark = ({ size }: { readonly size: number }) => <Collar arcs={ARCS} size={size} label={false} />;
