import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { CandidateView, TerminationView } from '@/core/termination-view';
import { UndoesWork } from '../common/UndoesWork';
import { Acts } from '../kit-of-parts/Acts';
import { Problems } from '../kit-of-parts/Problems';
import type { TakingSize } from './use-taking-size';
import { For } from '../shell/may';

interface Props {
  readonly view: TerminationView;
  readonly selected: CandidateView;
  readonly taking: TakingSize;
}

const takeWords = ({ code, verdict }: CandidateView, taken: string | null): string =>
  code === taken
    ? `${code} is taken`
    : verdict === 'marginal'
      ? `Take ${code} provisionally`
      : `Take ${code}`;

/** Takes the size that is looked at, or locks the one that was taken; what goes with it, and why it may not be taken. */
export function TakeSize({ view, selected, taking }: Props) {
  const { taken, busy, problems, asked, take, leave, lock } = taking;
  const notes = [
    selected.ringWords,
    selected.notCalledFor ?? '',
    selected.planOnly ? 'plan only: no marks or steps come from this family yet' : '',
  ].filter((w) => w !== '');
  return (
    <>
      <Acts>
        <For what="takeSize" said>
          <Button
            variant="contained"
            color="secondary"
            onClick={() => take(selected.code)}
            disabled={busy || selected.refusal !== null || (selected.code === taken && !view.stale)}
          >
            {takeWords(selected, taken)}
          </Button>
        </For>
        {taken === null ? null : (
          <For what="lockSize">
            <Button variant="outlined" onClick={lock} disabled={busy} aria-pressed={view.sizeLocked}>
              {view.sizeLocked ? `Unlock ${taken}` : `Lock ${taken}`}
            </Button>
          </For>
        )}
        {selected.refusal === null ? (
          <Typography component="span" sx={{ flex: '1 1 220px', color: 'text.secondary' }}>
            {notes.join(' · ')}
          </Typography>
        ) : (
          <Typography
            component="span"
            variant="body2"
            sx={{ flex: '1 1 220px', fontWeight: 600, color: 'error.main' }}
          >
            {selected.refusal}
          </Typography>
        )}
      </Acts>
      {selected.goesWith.length > 0 ? (
        <Typography variant="quiet" sx={{ mb: 1 }}>
          <b>With it:</b> {selected.goesWith.join(' · ')}
        </Typography>
      ) : null}
      <Problems problems={problems.filter((p) => p.path !== 'knowing')} />
      <UndoesWork
        code={asked?.code ?? ''}
        words={asked?.words ?? null}
        onTake={() => asked && take(asked.code, true)}
        onLeave={leave}
      />
    </>
  );
}
