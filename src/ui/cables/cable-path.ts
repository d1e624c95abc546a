export const cablePath = (job: string, tag: string): string =>
  `/job/${encodeURIComponent(job)}/cables/${encodeURIComponent(tag)}`;
