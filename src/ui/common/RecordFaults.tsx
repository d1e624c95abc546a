import { Caution } from '../kit-of-parts/Caution';

const SHOWN = 3;

/** Says that a record does not hold, and where first. Nothing where it holds. */
export function RecordFaults({ faults }: { readonly faults: readonly string[] }) {
  if (faults.length === 0) return null;
  const more = faults.length - SHOWN;
  return (
    <div role="alert">
      <Caution tone="stop">
        <b>This record does not hold:</b> {faults.slice(0, SHOWN).join('; ')}
        {more > 0 ? `; and ${more} more` : ''}. Nothing is added to it or signed. What stands before the first
        broken place may be compared with earlier prints.
      </Caution>
    </div>
  );
}
