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
      ['Records', 'records'],
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
      ['Boxes', 'boxes'],
      ['Types', 'types'],
      ['Instruments', 'instruments'],
      ['Profile', 'profile'],
      ['People', 'people'],
      ['Settings', 'settings'],
    ],
  },
] as const;

/** The places of a job in groups; none where there is no job. */
export function placesOf(job: string | null): readonly PlaceGroup[] {
  if (job === null) return [];
  const base = `/job/${encodeURIComponent(job)}`;
  return GROUPS.map(({ name, places }) => ({
    name,
    places: places.map(([title, path]) => ({
      name: title,
      href: `${base}/${path}`,
      under: `${base}/${path}`,
    })),
  }));
}

/** What belongs to no job. The catalogue keeps the job in sight from which it was gone to. */
export const productPlaces = (job: string | null, administrator: boolean): PlaceGroup => ({
  name: 'Product',
  places: [
    { name: 'Jobs', href: '/', under: '/' },
    {
      name: 'Catalogue',
      href: job === null ? '/catalogue' : `/catalogue?job=${encodeURIComponent(job)}`,
      under: '/catalogue',
    },
    ...(administrator
      ? [
          { name: 'Accounts', href: '/people', under: '/people' },
          { name: 'What runs', href: '/running', under: '/running' },
        ]
      : []),
  ],
});

/** Whether an address is of a place: `/job/x/t` is not of `/job/x/testing`. */
export const isAt = (address: string, { under }: Place): boolean =>
  address === under || (under !== '/' && address.startsWith(`${under}/`));
