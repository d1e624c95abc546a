import Box from '@mui/material/Box';
import type { CrossingView } from '@/core/crossing';
import { replay } from '@/core/record';
import { Facts } from '../kit-of-parts/Facts';
import { Way } from '../kit-of-parts/Way';
import { RecordOf } from '../prove/RecordOf';
import { DossierActs } from '../records/DossierActs';
import { crossingPath, crossingsPath } from './words';

interface Props {
  readonly view: CrossingView;
  readonly secondPerson: boolean;
}

function planWords([inForce]: CrossingView['plans']): string {
  if (!inForce) return 'none yet';
  const kind = inForce.kind === 'asBuilt' ? 'as built' : 'as planned';
  return `${kind}, by ${inForce.actor}, hash ${inForce.planHash.slice(0, 12)}${inForce.stale ? ', stale' : ''}`;
}

/** The record of a crossing's building: who did what when, whether it holds, and what is still open. */
export function CrossingRecord({ view, secondPerson }: Props) {
  const { done, next, signedBy } = replay(view.steps, view.acts);
  return (
    <Box
      component="main"
      sx={{ flex: 1, minWidth: 0, maxWidth: 1100, overflowY: 'auto', p: '20px 24px 40px' }}
    >
      <Way
        from={[
          ['Crossings', crossingsPath(view.job)],
          [view.name, crossingPath(view.job, view.name)],
        ]}
        here="Record"
      />
      <RecordOf
        job={view.job}
        events={view.events}
        faults={view.faults}
        signedBy={signedBy}
        titles={new Map(view.steps.map((s) => [s.id, s.title]))}
        formerNames={view.formerNames}
        begins="The record begins at the bench, with the first building step."
        signing={secondPerson ? 'This job asks for a signature by another person than the fitter.' : ''}
      />
      <DossierActs job={view.job} of="crossing" name={view.name} />
      <Facts
        facts={[
          ['Plan in force', planWords(view.plans)],
          ['Done', `${done.size} of ${view.steps.length} steps${next ? `; next: ${next.title}` : ''}`],
          ['Wall’s rating', view.setup.rating.trim() === '' ? 'nobody has said' : view.setup.rating],
        ]}
      />
    </Box>
  );
}
