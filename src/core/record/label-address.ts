import { fail, ok, refuse, type Result } from '@/core/kernel';
import type { TerminationRef } from './at-the-bench';

/** Where the record of an end is found, below the address of the application: what the code of its label leads to. */
export const recordPath = ({ job, cable, end }: TerminationRef): string =>
  `/job/${encodeURIComponent(job)}/t/${encodeURIComponent(cable)}/${encodeURIComponent(end)}/prove`;

const ADDRESS = /^https?:\/\/[^/?#\s]{1,255}\/job\/([^/?#\s]{1,200})\/t\/([^/?#\s]{1,200})\/([AB])\/prove$/;

/** Which end a label is of, by what its code says; refused where that is no label of ours. The application may have moved since it was printed. */
export function readLabel(text: string): Result<TerminationRef> {
  const [, job = '', cable = '', end = ''] = ADDRESS.exec(text.trim()) ?? [];
  if (end === '') return refuse('label', 'leads to no record of an end', text.slice(0, 120));
  try {
    return ok({ job: decodeURIComponent(job), cable: decodeURIComponent(cable), end });
  } catch {
    return refuse('label', 'leads to no record of an end', text.slice(0, 120));
  }
}

/** Is this the label of the end that is at the bench? Refused with both names where it is another's. */
export function isLabelOf(text: string, here: TerminationRef): Result<TerminationRef> {
  const read = readLabel(text);
  if (!read.ok) return read;
  const { job, cable, end } = read.value;
  if (job !== here.job)
    return fail([
      {
        path: 'label',
        message: `is of another job, “${job}”: ${cable}/${end}. This end is ${here.cable}/${here.end}`,
      },
    ]);
  return cable === here.cable && end === here.end
    ? read
    : fail([{ path: 'label', message: `is of ${cable}/${end}. This end is ${here.cable}/${here.end}` }]);
}
