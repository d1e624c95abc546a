import Typography from '@mui/material/Typography';
import { eventLines, eventTitle, type EventView } from '@/core/record';

interface Props {
  readonly event: EventView;
  /** What the steps are called today, by their id: for events that did not say. */
  readonly titles: ReadonlyMap<string, string>;
}

/** What was done, and what was planned, measured and seen at it, a line each. */
export const EventWords = ({ event, titles }: Props) => (
  <>
    {eventTitle(event, titles)}
    {eventLines(event).map((line) => (
      <Typography key={line} variant="quiet" component="span" sx={{ display: 'block' }}>
        {line}
      </Typography>
    ))}
  </>
);
