import { CONCEPTS, DUST_GROUPS, GAS_GROUPS } from '@/core/catalogue';
import { coversIp } from '@/core/gland-selection';
import { fail, ok, type Problem, type Result } from '@/core/kernel';
import { TEMPERATURE_CLASSES } from '@/core/schedule';
import type { DevicePlace } from './end';

/** What a plate says in marks, not in figures. */
const PLATE_MARKS = ['ip', 'concept', 'gasGroup', 'dustGroup', 'temperatureClass', 'certificate'] as const;
type PlateMark = (typeof PLATE_MARKS)[number];

const IP_CODES = ['54', '55', '56', '64', '65', '66', '67', '68', '69'] as const;
const OTHER_IP = 'another IP, or none';
const NO_CONCEPT = 'no such protection';
const NO_GAS = 'no gas group';
const NO_DUST = 'no dust group';
const NO_CLASS = 'no temperature class';
const CERTIFIED = ['on the plate', 'on a second plate beside it'] as const;
const NOT_CERTIFIED = 'no certificate number';

/** One mark that is read off: what may stand there, and whether what stands there is enough for the place. */
interface Asked {
  readonly label: string;
  readonly options: readonly string[];
  readonly enough: (said: string) => boolean;
  readonly wanted: string;
}

const inOrder = (all: readonly string[], wanted: string) => (said: string) =>
  all.includes(said) && all.indexOf(said) >= all.indexOf(wanted);

const has = <T>(value: T | null | undefined): value is T => value !== null && value !== undefined;

/** What is asked of the marks by the place; null where the place asks for none. Groups and classes by IEC 60079-0: each covers those before it. */
const ASKED: Readonly<Record<PlateMark, (place: DevicePlace) => Asked | null>> = {
  ip: ({ ip }) => ({
    label: 'IP code',
    options: [...IP_CODES.map((code) => `IP ${code}`), OTHER_IP],
    enough: (said) => IP_CODES.some((code) => said === `IP ${code}` && coversIp({ ip: [code] }, { ip })),
    wanted: `IP ${ip}`,
  }),
  concept: ({ concept }) =>
    concept === 'none'
      ? null
      : {
          label: 'Protection',
          options: [...CONCEPTS.filter((c) => c !== 'none'), NO_CONCEPT],
          enough: (said) => said === concept,
          wanted: concept,
        },
  gasGroup: ({ gasGroup }) =>
    has(gasGroup)
      ? {
          label: 'Gas group',
          options: [...GAS_GROUPS, NO_GAS],
          enough: inOrder(GAS_GROUPS, gasGroup),
          wanted: gasGroup,
        }
      : null,
  dustGroup: ({ dustGroup }) =>
    has(dustGroup)
      ? {
          label: 'Dust group',
          options: [...DUST_GROUPS, NO_DUST],
          enough: inOrder(DUST_GROUPS, dustGroup),
          wanted: dustGroup,
        }
      : null,
  temperatureClass: ({ temperatureClass }) =>
    has(temperatureClass)
      ? {
          label: 'Temperature class',
          options: [...TEMPERATURE_CLASSES, NO_CLASS],
          enough: inOrder(TEMPERATURE_CLASSES, temperatureClass),
          wanted: temperatureClass,
        }
      : null,
  certificate: ({ concept }) =>
    concept === 'none'
      ? null
      : {
          label: 'Certificate number',
          options: [...CERTIFIED, NOT_CERTIFIED],
          enough: (said) => CERTIFIED.some((place) => place === said),
          wanted: 'a certificate number on the device',
        },
};

/** What is said of a plate besides its figures, by the place that the device goes to: each with all that may stand there. */
export const plateMarks = (
  place: DevicePlace,
): { readonly key: string; readonly label: string; readonly options: readonly string[] }[] =>
  PLATE_MARKS.flatMap((key) => {
    const asked = ASKED[key](place);
    return asked === null ? [] : [{ key, label: asked.label, options: asked.options }];
  });

/** Are the marks of this plate enough for its place? Refused with each that is not: what it says, and what is asked for. One that nobody has read is not. */
export function mayBeInstalled(place: DevicePlace, said: Readonly<Record<string, string>>): Result<null> {
  const problems = PLATE_MARKS.flatMap((key): Problem[] => {
    const asked = ASKED[key](place);
    const read = said[key];
    if (asked === null || (read !== undefined && asked.enough(read))) return [];
    return [
      {
        path: `chosen.${key}`,
        message: `${asked.label}: the plate says ${read ?? 'nothing that anybody has read'}, and the place asks for ${asked.wanted}: this is not the device that was ordered: stop`,
        value: read,
      },
    ];
  });
  return problems.length > 0 ? fail(problems) : ok(null);
}
