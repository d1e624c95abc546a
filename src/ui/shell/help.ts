import { STATION_WORDS } from '@/core/record';

/** What a place is for, and the rules that its numbers come from. */
export interface Help {
  readonly title: string;
  readonly rules: readonly string[];
}

type Station = keyof typeof STATION_WORDS;

/** By station of a termination. */
export const STATION_HELP: Readonly<Record<Station, readonly string[]>> = {
  measure: [
    'A diameter is an interval: the least and the most that the readings leave, with each tool’s own tolerance and, where a tool looked at one diameter only, an allowance for ovality. Rounded outwards to 0.01 mm.',
    'Two calipers at a right angle, or a tape and a caliper, keep it narrow. A datasheet alone is good for planning and never for cutting.',
    'Ovality is (largest − smallest) / mean. The limits are the job’s, in its profile.',
  ],
  choose: [
    'A size fits when the whole interval lies within every range that matters; by how much it does is its margin. It misfits when a diameter that is certainly there lies outside.',
    'What is not known is asked for. It never counts as a fit.',
    'Which kinds compete here is decided by the code profile; the steps of that decision stand under the answer.',
    'The temperature class limits the heat of the entry: T1 450, T2 300, T3 200, T4 135, T5 100, T6 85 °C.',
  ],
  cut: [
    'All marks are measured from the cable end. Lengths between them are rounded together, each inside its own tolerance, to a division that the rule has.',
    'The blade’s depth is the least that the layer certainly has, less what keeps it off what lies beneath. Where that is nothing, no blade is set.',
    'A core’s own tail is shorter by what its terminal is nearer than the farthest, and never less than its bend and bare end need.',
  ],
  makeOff: [
    'The order is that of the product’s own sheet. What goes on before the first cut cannot be put on later.',
    'A hold point is passed by holding, after looking. What was held by mistake is taken back with its reason.',
  ],
  seal: [
    'Compound: the chamber’s volume less the cores at their thinnest, plus the sheet’s allowance; the packs are those with the least left over.',
    'Pot life: between two printed temperatures the hotter one counts. Cure: the colder one. Beyond the table it is refused.',
    'Cure goes on by the temperatures that are logged. After 30 minutes without one it stands still.',
  ],
  tighten: [
    'Torque, turns or metal to metal: by the sheet, stage by stage. Turns and travel may be converted by the pitch; torque never is.',
    'With a head that stands off the wrench: set T·L / (L + E·cos θ).',
  ],
  prove: [
    'Every event carries the hash of the one before and of the plan. What was changed, taken out or cut off since is named here.',
    'Times are the server’s. A signature stands on the plan as it was; where the plan changes, it goes.',
    'A test holds when every line does, with the uncertainty of the instrument on the side that refuses. What is not said is asked for; the last test of each kind counts.',
    'Insulation at 20 °C: R · 2^((T − 20) / 10 K), unless the sheet of its material says another step.',
    'Armour and earth: ρ · L / A · (1 + α (T − 20)), of the shortest that the cable may be, and what it may have more.',
  ],
};

/** By place of a job: the word of the address after it. */
export const PLACE_HELP: Readonly<Record<string, Help>> = {
  board: {
    title: 'Board',
    rules: [
      'Seven arcs of a collar are the seven stations of an end. Amber is done; what stops an end is named beside it.',
      'What is next is the first station that is not done and waits for nothing.',
    ],
  },
  crossings: {
    title: 'Crossings',
    rules: [
      'A module takes a cable whose whole interval lies between two of its layers. Rows are as high as their modules, and every row is full.',
      '“At most x % from the best” is proven by a bound; a plan is shown only after an independent check of every row.',
      'A packed sleeve fits only with an arrangement that was audited; that it cannot is said with the bound that proves it, never by area alone.',
      'What nobody has said of a soft seal is asked for and counts as not safe; figures stand on the worst that the measured intervals leave.',
    ],
  },
  compound: {
    title: 'Compound',
    rules: [
      'One mix serves those ends only whose pours end within its pot life. The order is kept; the fewest mixes are made.',
    ],
  },
  'whole-job': {
    title: 'Whole job',
    rules: [
      'Fewest part numbers of glands; of those the fewest adaptors; of those the best worst margin. Each is proven before the next is asked.',
      'What is locked, or begun at the bench, stays.',
    ],
  },
  kit: {
    title: 'Kit',
    rules: [
      'Spares are a share of what is needed, rounded up, and at least so many of each part. What is fitted already is not drawn again.',
      'Where nothing in the catalogue fits, what a supplier has to be asked for stands below, by the intervals that were measured.',
    ],
  },
  prints: {
    title: 'Prints',
    rules: [
      'Each print ends with the short code of the job’s record as it was: checked without this application by `plan verify`.',
    ],
  },
  records: {
    title: 'Records',
    rules: [
      'Every event that was ever recorded, in the words of then. All words that are looked for must stand in it: tag, person, what was done, batch, instrument, reason.',
      'A dossier holds all of it on paper, with drawing, readings, photos and the code of the record. The file holds it to be checked elsewhere: `plan verify` knows nothing of this database.',
    ],
  },
  along: {
    title: 'Take along',
    rules: [
      'Without a server a step is judged on the device by the same rules, kept on its disk before the next one, and sent once, in order.',
      'A time that only a device has seen never goes back, lies between its last contact and the receipt, and its clock may be two minutes off. Pot life and cure by it are marked, and an inspector looks at each before signing.',
      'A signature and a cut back need the server.',
    ],
  },
  schedule: {
    title: 'Schedule',
    rules: [
      'Routes are in metres, tails in the job’s unit; other units are written with the number: 2 ft, 240 mm, 1 3/16 in.',
      'Ctrl+D takes the value from above, or into all rows that are ticked. A block from a spreadsheet is pasted as one change.',
      'What somebody else has changed meanwhile is shown with both values; nothing is written over unseen.',
    ],
  },
  cables: {
    title: 'A cable',
    rules: ['Both ends side by side. Cores are compared by their names once both ends list all of them.'],
  },
  boxes: {
    title: 'Boxes',
    rules: [
      'Entries in a line: E1–E12 M20; C1 hole 20.5. The plate is drawn to one scale.',
      'Saved as a table, edited in a spreadsheet and given back: what a row would do is shown first, and what the table does not name stays.',
      'A change of a box is judged for its own ends, and what it would make stale is told before it is kept.',
    ],
  },
  instruments: {
    title: 'Instruments',
    rules: [
      'Once a job keeps this register, nothing is signed that was measured with an instrument which is not in it, or was not good on that day.',
      'A check that finds an instrument bad opens again what was made with it since its last good check: it had drifted at a time that nobody knows.',
      'Checks are only added. One that was entered wrongly is corrected by the next.',
    ],
  },
  types: {
    title: 'Types',
    rules: [
      'A type says how a cable is built. Diameters of its datasheet stand in where nobody has measured: what is planned on them is provisional.',
      'A pasted table is read by its headings; what it does not say stands on the side that refuses. What is taken in goes back with one undo.',
    ],
  },
  profile: {
    title: 'Profile',
    rules: [
      'The rules by which this job is judged: where a barrier is called for, what threads must engage, which tolerances tools have. A licensed person decides on them.',
    ],
  },
  changes: {
    title: 'Changes',
    rules: [
      'A plan stands on figures. Where one of them has changed since, the plan is listed with what would be different.',
    ],
  },
  people: {
    title: 'People',
    rules: [
      'What each role may do stands in one table. Who signed is kept by their account, not by a typed name.',
    ],
  },
  settings: {
    title: 'Settings',
    rules: [
      'The families in use are those that are chosen from. The job file holds everything but the record.',
    ],
  },
  bench: {
    title: 'Bench',
    rules: [
      'One step at a time. Hold to confirm, or Enter twice. The server’s clock judges pot life and cure.',
      'A measurement that changes here stops the work until the plan is looked at.',
      'A reading that its instrument cannot tell from a limit is taken a second time; both stand in the record.',
    ],
  },
};

/** Places that belong to no job. */
const PRODUCT: readonly (readonly [path: string, Help])[] = [
  [
    '/catalogue',
    {
      title: 'Catalogue',
      rules: [
        'A sheet’s figures never change under a revision. Another revision is a sheet of its own, and the ends that stand on the old one are named.',
      ],
    },
  ],
  [
    '/people',
    {
      title: 'Accounts',
      rules: ['Invitations are links that hold once. Five wrong passwords make a name wait.'],
    },
  ],
  [
    '/running',
    {
      title: 'What runs',
      rules: [
        'Each process says every 15 s that it is there. One that is quiet for longer than 45 s has ended, or has lost the database.',
        'A cluster writes while most of its nodes are together: of three one may be lost, of two none.',
      ],
    },
  ],
  [
    '/me',
    {
      title: 'My account',
      rules: ['A session ends with the shift. The PIN is for a shared device: five wrong ones lock it.'],
    },
  ],
];

const JOBS: Help = { title: 'Jobs', rules: ['A collar sums those of all ends of the job.'] };

/** Help for an address; null where there is nothing to say. */
export function helpFor(pathname: string): Help | null {
  const [, job, , place, , , station] = pathname.split('/');
  if (pathname === '/') return JOBS;
  if (job !== 'job')
    return PRODUCT.find(([path]) => pathname === path || pathname.startsWith(`${path}/`))?.[1] ?? null;
  if (place === 't') {
    const at =
      station !== undefined && Object.hasOwn(STATION_HELP, station) ? (station as Station) : 'measure';
    return { title: STATION_WORDS[at], rules: STATION_HELP[at] };
  }
  return place !== undefined && Object.hasOwn(PLACE_HELP, place) ? (PLACE_HELP[place] ?? null) : null;
}
