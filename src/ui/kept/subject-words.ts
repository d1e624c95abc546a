import type { SubjectRef } from '@/core/record';

/** `K-104/B`, or the name of a crossing. */
export const subjectName = (subject: SubjectRef): string =>
  subject.kind === 'termination' ? `${subject.cable}/${subject.end}` : subject.crossing;

const part = encodeURIComponent;

/** Where the bench of a subject is. */
export const benchPath = (subject: SubjectRef): string =>
  subject.kind === 'termination'
    ? `/job/${part(subject.job)}/bench/${part(subject.cable)}/${subject.end}`
    : `/job/${part(subject.job)}/crossings/${part(subject.crossing)}/build`;

/** What the bench at an address is of; null where there is no bench. */
export function subjectAt(path: string): SubjectRef | null {
  const parts = path.split('/').filter((p) => p !== '');
  let texts: string[];
  try {
    texts = parts.map(decodeURIComponent);
  } catch {
    return null;
  }
  const [root, job = '', place, name = '', last = ''] = texts;
  if (root !== 'job' || texts.length !== 5) return null;
  if (place === 'bench') return { kind: 'termination', job, cable: name, end: last };
  return place === 'crossings' && last === 'build' ? { kind: 'crossing', job, crossing: name } : null;
}
