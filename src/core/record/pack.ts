import type { Problem } from '@/core/kernel';

/**
 * What is missing or cannot be read of what stands on a pack of compound, by its fields. Whether the pack is in date and the work warm enough
 * is judged with the compound's sheet.
 */
export function packProblems({
  batch,
  expiry,
}: {
  readonly batch: string;
  readonly expiry: string;
}): Problem[] {
  const problems: Problem[] = [];
  if (batch.trim() === '') problems.push({ path: 'batch', message: 'the batch number stands on the pack' });
  if (!/^\d{4}-\d{2}-\d{2}$/.test(expiry) || Number.isNaN(Date.parse(expiry)))
    problems.push({ path: 'expiry', message: 'is not a date such as 2027-03-31', value: expiry });
  return problems;
}
