import { plainFinding, sheetOf, type Criterion } from '../finding';

/** Whether the end stop stays or goes is decided by the test that the sheet names. */
export const endStop: Criterion = {
  id: 'endStop',
  scope: 'size',
  absent: ({ size }) => (size.endStop === undefined ? 'endStop' : null),
  judge: ({ endStop: fit, facts, input, family }) => {
    if (fit === null) throw new Error('absent is asked first');
    const thing = fit.measuredBy;
    const interval = input[thing]?.interval ?? null;
    return plainFinding(
      'endStop',
      fit.verdict,
      {
        code: 'endStop',
        rule: fit.rule,
        thing,
        stays: facts.endStop?.range ?? null,
        interval,
        again: fit.verdict === 'marginal',
      },
      sheetOf(family),
      fit.verdict === 'unknown' && interval === null ? [thing] : [],
    );
  },
};
