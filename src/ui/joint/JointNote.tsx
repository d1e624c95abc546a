'use client';
import Typography from '@mui/material/Typography';
import type { TerminationView } from '@/core/termination-view';
import { Caution } from '../kit-of-parts/Caution';
import { To } from '../kit-of-parts/To';
import { stationPath } from '../rack/summaries';
import { keptElsewhere, otherHalf } from './joint-of';

/** Of one half of an in-line joint: with what it is joined, where the record of both is kept, and what stands in the way. */
export function JointNote({ view }: { readonly view: TerminationView }) {
  const { joint, collar, place } = view;
  if (joint === null || place?.entry.inLine === undefined) return null;
  const other = otherHalf(view);
  if (other === null)
    return (
      <Caution tone="hold">
        Half of the in-line joint {joint.box}, with {place.entry.inLine}: {joint.lack}.
      </Caution>
    );
  const keeper = keptElsewhere(view);
  const { job } = view;
  const to = ({ cable, end, tag }: typeof other) => (
    <To href={stationPath(job.slug, cable, end, 'cut')}>{tag}</To>
  );
  return (
    <>
      <Typography component="p" sx={{ my: 1 }}>
        Half of the in-line joint {joint.box}, with {place.entry.inLine}, joined with {to(other)}
        {keeper === null
          ? '. Both are made off and signed in one record, which is kept here.'
          : ', which keeps the record and the signature of both.'}
      </Typography>
      {collar.blockedBy === null ? null : <Caution tone="hold">No joint yet: {collar.blockedBy}.</Caution>}
    </>
  );
}
