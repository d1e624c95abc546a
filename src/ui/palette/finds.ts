import type { BoxView, SummaryView } from '@/core/termination-view';
import type { Place } from '../shell/places';

/** Something that can be gone to. */
export interface Found {
  readonly group: 'Places' | 'Actions' | 'Cables' | 'Ends of cables' | 'Boxes';
  readonly name: string;
  readonly note: string;
  readonly href: string;
}

/** The job that an address is in. */
export function jobOf(pathname: string): string | null {
  const slug = /^\/job\/([^/]+)/.exec(pathname)?.[1];
  return slug === undefined ? null : decodeURIComponent(slug);
}

/** Everything that can be gone to from here: places and actions first, then ends, then boxes. */
export function finds(
  places: readonly Place[],
  job: string | null,
  ends: readonly SummaryView[],
  boxes: readonly BoxView[],
): Found[] {
  const base = job === null ? '' : `/job/${encodeURIComponent(job)}`;
  const actions: Found[] =
    job === null
      ? []
      : [
          { name: 'Take in a cable list', note: 'workbook or CSV', href: `${base}/schedule/import` },
          { name: 'See what has moved on', note: 'plans that are stale', href: `${base}/changes` },
          {
            name: 'Save the schedule as a workbook',
            note: 'XLSX',
            href: `/api${base}/schedule/export?as=xlsx`,
          },
          { name: 'Save the job file', note: 'everything but the record', href: `/api${base}/file` },
        ].map((a) => ({ ...a, group: 'Actions' as const }));
  return [
    ...places.map((p) => ({ group: 'Places' as const, name: p.name, note: '', href: p.href })),
    ...actions,
    ...ends.map((e) => ({
      group: 'Ends of cables' as const,
      name: `${e.cable}/${e.end}`,
      note: [e.title, e.area, e.next?.action ?? 'done'].filter(Boolean).join(' · '),
      href: `${base}/t/${encodeURIComponent(e.cable)}/${e.end}/${e.next?.station ?? 'prove'}`,
    })),
    ...[...new Set(ends.map((e) => e.cable))].map((cable) => ({
      group: 'Cables' as const,
      name: cable,
      note: 'both ends',
      href: `${base}/cables/${encodeURIComponent(cable)}`,
    })),
    ...boxes.map((b) => ({
      group: 'Boxes' as const,
      name: b.box.tag,
      note: [b.box.title, b.area].filter(Boolean).join(' · '),
      href: `${base}/boxes/${encodeURIComponent(b.box.tag)}`,
    })),
  ];
}
