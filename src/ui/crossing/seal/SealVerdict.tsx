import Box from '@mui/material/Box';
import { CROSSING_SETUP_FIELDS } from '@/core/crossing';
import type { Verdict } from '@/core/gland-selection';
import { capital, placedProblem } from '@/core/kernel';
import { sealWords, verdictOf, type SealAnswer, type SealFinding } from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import { Answer } from '../../kit-of-parts/Answer';
import { Empty } from '../../kit-of-parts/Empty';
import { PlainList } from '../../kit-of-parts/PlainList';
import { NutMark } from '../../verdict/NutMark';
import type { SealMade, SealSession } from './use-seal';

const MARKS: Readonly<Record<SealAnswer, Verdict>> = { closes: 'fits', refused: 'misfit', ask: 'unknown' };
const FINDING_MARKS: Readonly<Record<SealFinding['verdict'], Verdict>> = {
  holds: 'fits',
  fails: 'misfit',
  ask: 'unknown',
};
const FINDING_WORDS: Readonly<Record<SealFinding['verdict'], string>> = {
  holds: 'holds',
  fails: 'fails',
  ask: 'not known',
};
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

/** Everything that was looked at, with its number; what does not hold first. */
export function SealFindings({ findings }: { readonly findings: readonly SealFinding[] }) {
  const order = { fails: 0, ask: 1, holds: 2 } as const;
  const sorted = [...findings].sort((a, b) => order[a.verdict] - order[b.verdict]);
  return (
    <PlainList ruled label="What was looked at">
      {sorted.map((f, i) => (
        <Box
          component="li"
          key={`${f.case.code} ${i}`}
          sx={{ display: 'flex', gap: 1.25, alignItems: 'baseline' }}
        >
          <Box component="span" sx={{ flex: 'none', alignSelf: 'center', lineHeight: 0 }}>
            <NutMark verdict={FINDING_MARKS[f.verdict]} size={16} />
          </Box>
          <Box
            component="b"
            sx={{
              flex: 'none',
              width: 84,
              fontWeight: 600,
              color:
                f.verdict === 'fails' ? 'error.main' : f.verdict === 'ask' ? 'warning.main' : 'success.main',
            }}
          >
            {FINDING_WORDS[f.verdict]}
          </Box>
          <span>{sealWords(f)}</span>
        </Box>
      ))}
    </PlainList>
  );
}
