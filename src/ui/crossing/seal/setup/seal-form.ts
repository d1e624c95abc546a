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

/** What is said in a form: intervals of which nothing is typed are left out, as is the measure of the other shape. */
export function saidIn(values: SealForm): SealForm {
  const said: SealForm = { ...values };
  for (const name of INTERVALS) {
    const interval = saidInterval(values[name]);
    if (interval === undefined) delete said[name];
    else said[name] = interval as NonNullable<SleeveSetup['bore']>;
  }
  if (said.shape === 'circle') {
    delete said.width;
    delete said.height;
  }
  if (said.shape === 'rectangle') delete said.bore;
  return JSON.parse(JSON.stringify(said)) as SealForm;
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
