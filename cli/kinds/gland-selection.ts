import {
  answerWords,
  armourQuantity,
  becauseOf,
  END_STOP_WORDS,
  factsOf,
  findingView,
  intervalUm,
  nearestView,
  notCalledForWords,
  provisionalWords,
  questionsOf,
  questionView,
  ringFits,
  trailView,
  wayOf,
  wayWords,
  type Candidate,
} from '@/core/gland-selection';
import { fromUm, ok } from '@/core/kernel';
import { kind } from './kind';
import { chosen, terminationSchema, type Chosen } from './termination';

/** `choose`: one cable end and a catalogue → every size judged, best first. */
export const chooseKind = kind(terminationSchema, (request) => {
  const made = chosen(request);
  if (!made.ok) return made;
  const { choice, input, catalogue } = made.value;
  const taken = choice.candidates.filter((c) => c.verdict === 'fits' && c.notCalledFor === null);
  return ok({
    answer: answerWords(choice.answer),
    barrier: trailView(choice.barrier),
    provisional: choice.provisional.map(provisionalWords),
    questions: questionsOf(input, catalogue, choice).map(questionView),
    nearest: choice.nearest === null ? null : nearestView(choice.nearest),
    candidates: choice.candidates.map((c) => candidateJson(c, made.value)),
    // As it stands, one of the terminations of a request of choose-job.
    termination: { tag: request.tag ?? 'unnamed', options: taken.map(optionJson) },
  });
});

const optionJson = ({ size, entry, marginMm, verdict }: Candidate) => ({
  part: size.partNumber,
  adaptor: entry.adaptor !== null,
  marginMm,
  verdict,
});

const endStopWords = ({ endStop }: Candidate): string | null =>
  endStop === null
    ? null
    : `${END_STOP_WORDS[endStop.rule]}${endStop.verdict === 'marginal' ? ': measure again' : ''}`;

function candidateJson(c: Candidate, { locate, because, input }: Chosen) {
  const at = locate(c);
  // Of a size that does not fit, only what stands in its way is followed: what would fit beside it settles nothing.
  const findings = c.findings.map((finding) =>
    c.verdict === 'misfit' && finding.verdict === 'fits'
      ? findingView(finding)
      : { ...findingView(finding), because: because(becauseOf(finding.criterion, c, input, at)) },
  );
  return {
    size: c.size.code,
    partNumber: c.size.partNumber,
    family: c.family.code,
    revision: c.family.sheet.revision,
    verdict: c.verdict,
    marginMm: c.marginMm,
    ring: c.ring?.option ?? null,
    rings: ringsJson(c, input),
    endStop: endStopWords(c),
    notCalledFor: c.notCalledFor === null ? null : notCalledForWords(c.notCalledFor),
    way: wayWords(wayOf(c)),
    adaptor: c.entry.adaptor?.partNumber ?? null,
    findings,
  };
}

/** Every face and alternative ring that takes this armour, and how the armour lies in its range. */
function ringsJson(c: Candidate, input: Chosen['input']) {
  const { armour } = input.cableType;
  if (armour === 'none') return [];
  const wire = input[armourQuantity(armour)];
  return ringFits(factsOf(c.size), armour, wire === null ? null : intervalUm(wire)).map((fit) => ({
    ...fit.option,
    verdict: fit.verdict,
    marginMm: fit.verdict === 'unknown' ? null : fromUm(fit.marginUm),
  }));
}
