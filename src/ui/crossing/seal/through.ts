import type { SealMade } from './use-seal';

/** The cables that go through a soft seal, in the order in which they were given. */
export function throughOf({ of, request }: SealMade) {
  switch (of) {
    case 'sleeve':
      return request.cables;
    case 'plug':
      return [request.cable];
    case 'wrap':
      return request.bundles.flatMap((b) => b.cables);
  }
}
