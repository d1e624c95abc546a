import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { JobChoiceView } from '@/core/termination-view';
import { PlainList } from '../kit-of-parts/PlainList';
import { TagLink } from './TagLink';

interface Props {
  readonly job: string;
  readonly view: JobChoiceView;
}

/** The ends that the choice leaves alone: nothing may be taken for them, or they stay as they are. */
export function OpenEnds({ job, view }: Props) {
  const open = Object.entries(view.open);
  const kept = Object.entries(view.kept);
  return (
    <Box sx={{ borderLeft: { md: '2px solid' }, borderColor: { md: 'divider' }, pl: { md: 3 } }}>
      <Ends
        job={job}
        label="Undecided"
        title={`Nothing may be taken for ${open.length}`}
        none="Every termination has something that fits."
        ends={open}
      />
      <Ends
        job={job}
        label="Kept"
        title={`${kept.length} stay as they are`}
        none="Lock a size at its Choose station to keep it out of this."
        ends={kept}
      />
    </Box>
  );
}

interface EndsProps {
  readonly job: string;
  readonly label: string;
  readonly title: string;
  readonly none: string;
  readonly ends: readonly (readonly [tag: string, why: string])[];
}

const Ends = ({ job, label, title, none, ends }: EndsProps) => (
  <section aria-label={label}>
    <Typography variant="h2" sx={{ mt: 1.75, fontSize: 16 }}>
      {title}
    </Typography>
    {ends.length === 0 ? (
      <Typography variant="quiet">{none}</Typography>
    ) : (
      <PlainList ruled>
        {ends.map(([tag, why]) => (
          <li key={tag}>
            <TagLink job={job} tag={tag} />{' '}
            <Typography component="span" variant="quiet">
              {why}
            </Typography>
          </li>
        ))}
      </PlainList>
    )}
  </section>
);
