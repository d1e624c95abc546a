import { Caution } from './Caution';

/** Says that a record does not hold, and where first. Nothing where it holds. */
export function RecordFaults({ faults }: { readonly faults: readonly string[] }) {
  const [first, ...more] = faults;
  if (first === undefined) return null;
  return (
    <div role="alert">
      <Caution tone="stop">
        <b>This record does not hold:</b> {first}
        {more.length > 0 ? `; and ${more.length} more` : ''}. Nothing is added to it or signed. What stands
        before the first broken place may be compared with earlier prints.
      </Caution>
    </div>
  );
}
