/** One place that can be gone to. */
export interface Place {
  readonly name: string;
  readonly href: string;
  /** Addresses that begin so belong to it. */
  readonly under: string;
}

export interface PlaceGroup {
  readonly name: string;
  readonly places: readonly Place[];
}

const GROUPS = [
  {
    name: 'Work',
    places: [
      ['Board', 'board'],
      ['Terminations', 't'],
      ['Crossings', 'crossings'],
      ['Compound', 'compound'],
    ],
  },
  {
    name: 'Plan',
    places: [
      ['Whole job', 'whole-job'],
      ['Kit', 'kit'],
      ['Prints', 'prints'],
    ],
  },
  {
    name: 'Set up',
    places: [
      ['Schedule', 'schedule'],
      ['Profile', 'profile'],
    ],
  },
] as const;

/** The places of a job in groups, and what belongs to no job. */
export function placesOf(job: string | null): readonly PlaceGroup[] {
  const base = job === null ? null : `/job/${encodeURIComponent(job)}`;
  const ofJob =
    base === null
      ? []
      : GROUPS.map(({ name, places }) => ({
          name,
          places: places.map(([title, path]) => ({
            name: title,
            href: `${base}/${path}`,
            under: `${base}/${path}`,
          })),
        }));
  const catalogue = {
    name: 'Catalogue',
    href: job === null ? '/catalogue' : `/catalogue?job=${encodeURIComponent(job)}`,
    under: '/catalogue',
  };
  return [...ofJob, { name: 'Product', places: [catalogue] }];
}

/** Whether an address is of a place: `/job/x/t` is not of `/job/x/testing`. */
export const isAt = (address: string, { under }: Place): boolean =>
  address === under || address.startsWith(`${under}/`);
