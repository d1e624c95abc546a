import Box from '@mui/material/Box';
import { CROSSING_SETUP_FIELDS } from '@/core/crossing';
import type { Verdict } from '@/core/gland-selection';
import { capital, placedProblem } from '@/core/kernel';
import { sealWords, verdictOf, type SealAnswer, type SealFinding } from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import { Answer } from '../../kit-of-parts/Answer';
import { Empty } from '../../kit-of-parts/Empty';
import { PlainList } from '../../kit-of-parts/PlainList';
import { Looked } from '../../verdict/Looked';
import { NutMark } from '../../verdict/NutMark';
import type { SealMade, SealSession } from './use-seal';

const MARKS: Readonly<Record<SealAnswer, Verdict>> = { closes: 'fits', refused: 'misfit', ask: 'unknown' };
const LEADS: Readonly<Record<SealAnswer, string>> = {
  closes: 'Every line below holds for the whole of what was measured.',
  refused: 'It does not close. Each line says by how much.',
  ask: 'What is not known counts as not safe: say it on the left, and it is judged.',
};

/** What a plan leads to; one that lies in no opening of this size says what would help. */
function leadOf({ of, plan }: SealMade): string {
  const would = of === 'sleeve' ? (plan.wouldFit?.mm ?? null) : null;
  return would === null
    ? LEADS[plan.answer]
    : `${LEADS.refused} What would help: a bore of ${trimNumber(Math.ceil(would * 10) / 10, 1)} mm takes all of it as it is; or a cable less, or two openings.`;
}

/** Does it close? A sentence with its number, or what is still to be said before anything can be. */
export function SealVerdict({ session }: { readonly session: SealSession }) {
  const { view, shown, work } = session;
  if (shown === null) return work.working ? null : <Lacking view={view} />;
  const { answer, findings } = shown.plan;
  const provisional = view.asked.provisional.length > 0;
  return (
    <Box data-answer={answer} sx={{ display: 'flex', gap: 1.5, my: 1.5 }}>
      <Box sx={{ flex: 'none', pt: 0.5 }}>
        <NutMark verdict={MARKS[answer]} provisional={provisional} size={26} />
      </Box>
      <div>
        <Answer words={capital(verdictOf(findings))} lead={leadOf(shown)} />
      </div>
    </Box>
  );
}

/** What nobody has said yet, field by field. */
function Lacking({ view }: Pick<SealSession, 'view'>) {
  const { lacking, missing } = view.asked;
  const lines = [
    ...lacking.map((p) => placedProblem(p, CROSSING_SETUP_FIELDS).message),
    ...missing.map((m) => `${m.tag}: ${m.reason}`),
  ];
  if (lines.length === 0) return <Empty>Everything is said. Plan it.</Empty>;
  return (
    <Box sx={{ my: 1.5 }}>
      <Answer
        words={`${lines.length} ${lines.length === 1 ? 'thing is' : 'things are'} not known yet`}
        lead="It is worked out as soon as all of it is said and saved."
      />
      <PlainList ruled label="Not known yet">
        {lines.map((l) => (
          <li key={l}>{l}</li>
        ))}
      </PlainList>
    </Box>
  );
}

/** Everything that was looked at, with its number. */
export const SealFindings = ({ findings }: { readonly findings: readonly SealFinding[] }) => (
  <Looked findings={findings.map((f) => ({ verdict: f.verdict, words: sealWords(f) }))} />
);
