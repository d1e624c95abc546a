import type { ReadName, ValueOf } from '@/server/gate';
import type { LookName, Looks } from '@/ui/data/contract';

/** Does not compile where the server answers a look otherwise than its page believes. */
type Served<N extends LookName> = N extends ReadName
  ? ValueOf<N> extends Looks[N]['value']
    ? true
    : never
  : never;

/** Everything that pages look up as JSON while they are open. */
const LOOKS: { readonly [N in LookName]: Served<N> } = {
  viewTermination: true,
  viewCrossing: true,
  viewCompound: true,
  viewSummaries: true,
  viewJobRecord: true,
  viewJobChoice: true,
  viewMovedOn: true,
  kitAgainst: true,
  previewPlaces: true,
  previewCatalogue: true,
};

export const isLook = (name: string): name is LookName => Object.hasOwn(LOOKS, name);
