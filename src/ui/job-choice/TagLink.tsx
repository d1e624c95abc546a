import { To } from '../kit-of-parts/To';
import { stationPath } from '../rack/summaries';

/** A termination by its tag, leading to its choice. */
export function TagLink({ job, tag }: { readonly job: string; readonly tag: string }) {
  const [cable = '', end = 'A'] = tag.split('/');
  return (
    <To href={stationPath(job, cable, end === 'B' ? 'B' : 'A', 'choose')} sx={{ color: 'text.primary' }}>
      {tag}
    </To>
  );
}
