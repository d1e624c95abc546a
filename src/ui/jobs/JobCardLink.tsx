import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { Link } from '../kit-of-parts/Link';
import type { JobCard } from '@/core/job';
import { ROLE_WORDS } from '@/core/people';
import { STATION_WORDS } from '@/core/record';
import { Collar } from '../collar/Collar';
import { RelativeTime } from '../common/RelativeTime';

const MOST_NEXT = 3;

/** One job: its collars summed, what is next, what is blocked, who touched it last. */
export const JobCardLink = ({ card }: { readonly card: JobCard }) => (
  <Box
    component={Link}
    href={`/job/${encodeURIComponent(card.slug)}/${card.ends === 0 ? 'schedule' : 'board'}`}
    sx={{
      display: 'flex',
      gap: 2,
      height: '100%',
      p: '14px 16px',
      color: 'inherit',
      textDecoration: 'none',
      bgcolor: 'background.paper',
      border: '2px solid',
      borderColor: 'divider',
      borderRadius: 1,
      '&:hover': { borderColor: 'text.primary' },
    }}
  >
    <Collar arcs={card.arcs} size={72} />
    <Box sx={{ minWidth: 0, flex: 1 }}>
      <Typography variant="h2" component="div" sx={{ overflowWrap: 'anywhere' }}>
        {card.name}
      </Typography>
      <Typography variant="quiet" component="div" color="text.secondary">
        {[card.place, card.profileTitle].filter(Boolean).join(' · ')}
      </Typography>
      <Typography sx={{ mt: 1, fontWeight: 650 }}>{countWords(card)}</Typography>
      {card.next.length > 0 ? (
        <Typography variant="body2">
          Next:{' '}
          {card.next
            .slice(0, MOST_NEXT)
            .map((n) => `${n.ends} to ${STATION_WORDS[n.station].toLowerCase()}`)
            .join(', ')}
        </Typography>
      ) : null}
      <Stack direction="row" sx={{ flexWrap: 'wrap', gap: '0 12px', mt: 0.75, color: 'text.secondary' }}>
        {card.touched === null ? null : (
          <Typography variant="quiet" component="span">
            <RelativeTime at={card.touched.at} /> by {card.touched.by}
          </Typography>
        )}
        {card.mine.length === 0 ? null : (
          <Typography variant="quiet" component="span">
            I am {card.mine.map((r) => ROLE_WORDS[r].name.toLowerCase()).join(', ')}
          </Typography>
        )}
      </Stack>
    </Box>
  </Box>
);

function countWords({ ends, done, blocked, curing }: JobCard): string {
  if (ends === 0) return 'no cables yet';
  const parts = [`${done} of ${ends} ends done`];
  if (blocked > 0) parts.push(`${blocked} blocked`);
  if (curing > 0) parts.push(`${curing} curing`);
  return parts.join(', ');
}
