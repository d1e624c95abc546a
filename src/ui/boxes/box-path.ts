export const boxPath = (job: string, tag: string): string =>
  `/job/${encodeURIComponent(job)}/boxes/${encodeURIComponent(tag)}`;
