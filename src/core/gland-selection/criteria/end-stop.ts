import { QUANTITY_WORDS } from '@/core/cable-measurement';
import { plainFinding, sheetName, type Criterion } from '../finding';
import { textsOf } from './seal';

/** Whether the end stop stays or goes is decided by the test that the sheet names. */
export const endStop: Criterion = {
  id: 'endStop',
  scope: 'size',
  absent: ({ size }) => (size.endStop === undefined ? 'no end stop in this family' : null),
  judge: ({ endStop: fit, facts, input, family }) => {
    if (fit === null) throw new Error('absent is asked first');
    const m = input[fit.measuredBy];
    const thing = QUANTITY_WORDS[fit.measuredBy];
    const takes = facts.endStop === null ? 'no figure on the sheet' : `stays for ${facts.endStop.text}`;
    const has = m === null ? 'not measured' : textsOf(m).span;
    const reason =
      fit.verdict === 'unknown' && m === null
        ? `${thing} is not measured: whether the end stop stays cannot be said`
        : `${fit.words}: it ${takes}, your ${thing} is ${has}`;
    const asks = fit.verdict === 'unknown' && m === null ? [fit.measuredBy] : [];
    return plainFinding('endStop', fit.verdict, takes, has, reason, sheetName(family), asks);
  },
};
