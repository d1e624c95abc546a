import type { ObjectSchema } from 'yup';
import {
  plugSetupSchema,
  sleeveSetupSchema,
  wrapSetupSchema,
  type PlugSetup,
  type SealKindId,
  type SealSetup,
  type SleeveSetup,
  type WrapSetup,
} from '@/core/crossing';
import { saidInterval } from '../../../kit-of-parts/form/FormInterval';

/** Every field that any of the soft seals has: what a kind does not have stays empty, and is left out when it is saved. */
export interface SealForm {
  kind: SealKindId;
  place: string;
  rating: string;
  members: SealSetup['members'];
  sheet?: SealSetup['sheet'];
  faces?: number;
  shape?: SleeveSetup['shape'];
  bore?: SleeveSetup['bore'];
  width?: SleeveSetup['width'];
  height?: SleeveSetup['height'];
  depth?: SleeveSetup['depth'];
  slantDeg?: number;
  tempC?: number;
  lies?: SleeveSetup['lies'];
  school?: SleeveSetup['school'];
  depthMm?: number;
  angleDeg?: number;
  offsetMm?: number;
  outside?: WrapSetup['outside'];
  inside?: WrapSetup['inside'];
  stubMm?: number;
  weldContinuous?: boolean;
  centred?: boolean;
  cloth?: WrapSetup['cloth'];
  pulled?: boolean;
}

export const SEAL_FORMS: { readonly [K in SealKindId]: ObjectSchema<SealForm> } = {
  sleeve: sleeveSetupSchema as unknown as ObjectSchema<SealForm>,
  plug: plugSetupSchema as unknown as ObjectSchema<SealForm>,
  wrap: wrapSetupSchema as unknown as ObjectSchema<SealForm>,
};

const INTERVALS = ['bore', 'width', 'height', 'depth', 'outside', 'inside'] as const;

const UNSAID = {
  faces: undefined,
  shape: undefined,
  slantDeg: undefined,
  tempC: undefined,
  lies: undefined,
  school: undefined,
  depthMm: undefined,
  angleDeg: undefined,
  offsetMm: undefined,
  stubMm: undefined,
  weldContinuous: undefined,
  centred: undefined,
  cloth: undefined,
  pulled: undefined,
};

/** A setup as a form has it: every field is there, so that one in which nothing is typed is not taken for a changed one. */
export const formOf = (setup: SealSetup): SealForm => {
  // A field that is there and holds nothing is one that is left out.
  const known = { ...UNSAID, ...setup } as unknown as SealForm;
  const intervals = Object.fromEntries(
    INTERVALS.map((name) => [name, known[name] ?? { min: undefined, max: undefined }]),
  );
  const members = setup.members.map((m) => ({
    ...m,
    circuit: m.circuit,
    ...(setup.kind === 'wrap' ? { bundle: m.bundle } : {}),
  }));
  return { ...known, ...intervals, members: members };
};

/** What is said in a form: intervals of which nothing is typed are left out, as is the measure of the other shape. */
export function saidIn(values: SealForm): SealForm {
  const { shape } = values;
  const unused: readonly string[] =
    shape === 'circle' ? ['width', 'height'] : shape === 'rectangle' ? ['bore'] : [];
  const said = Object.entries(values).flatMap(([name, value]: [string, unknown]) => {
    if (unused.includes(name)) return [];
    const is = INTERVALS.some((i) => i === name) ? saidInterval(value as { min?: unknown }) : value;
    return is === undefined ? [] : [[name, is] as const];
  });
  // Without what is undefined deeper in it: a schema is strict.
  return JSON.parse(JSON.stringify(Object.fromEntries(said))) as SealForm;
}

/** The setup of a plug as a packed sleeve through the same bore: what a sleeve asks besides is not known yet. */
export const asSleeve = (plug: PlugSetup): SleeveSetup => ({
  kind: 'sleeve',
  place: plug.place,
  rating: plug.rating,
  members: plug.members,
  ...(plug.faces === undefined ? {} : { faces: plug.faces }),
  sheet: undefined,
  shape: 'circle',
  bore: plug.bore,
  width: undefined,
  height: undefined,
  depth: plug.depthMm === undefined ? undefined : { min: plug.depthMm, max: plug.depthMm },
  school: 'afterPulling',
});
