import { array, number, object, string } from 'yup';
import {
  accessorySchema,
  adaptorSchema,
  compoundSchema,
  familySchema,
  frameSheetSchema,
  SEAL_SHEETS,
} from '@/core/catalogue';
import { KINDS, readCrossingSetup, type CrossingKindId, type Made } from '@/core/crossing';
import { pinsSchema } from '@/core/pin-map';
import { readPlan } from '@/core/procedure';
import { cableTypeSchema, enclosureSchema, entrySchema, readStoredProfile } from '@/core/schedule';
import { bySchema, storedJson } from './stored';

// Every kind of JSON in the database, each read by its own reader: nothing else parses a column.

export const CABLE_TYPE = storedJson('cable type', bySchema(cableTypeSchema), 2000);
export const ENCLOSURE = storedJson('box', bySchema(enclosureSchema), 2000);
export const ENTRY = storedJson('entry', bySchema(entrySchema), 4000);
export const PROFILE = storedJson('profile of job', readStoredProfile, 50);
export const TERMINALS = storedJson(
  'terminals of end',
  bySchema(
    array()
      .of(object({ core: string().required(), routeMm: number().required() }).required())
      .required(),
  ),
  500,
);
export const PINS = storedJson('pin map of end', bySchema(pinsSchema), 500);
export const PLAN = storedJson('plan', readPlan, 1000);
export const CROSSING_SETUP = storedJson('setup of crossing', readCrossingSetup, 100);

/** A reader of plans of one kind of crossing with what they were made from. */
function madeReader<K extends CrossingKindId>(of: K): (request: string, body: string, id: number) => Made<K> {
  const { readRequest, readPlan, words } = KINDS[of];
  const requests = storedJson(`request of ${words}`, readRequest, 60);
  const plans = storedJson(`plan of ${words}`, readPlan, 60);
  return (request, body, id) =>
    // One object for each kind: what stands in it was read by that kind's own readers.
    ({ of, request: requests.parse(request, id), plan: plans.parse(body, id) });
}

export const CROSSING_MADE: { readonly [K in CrossingKindId]: ReturnType<typeof madeReader<K>> } = {
  frames: madeReader('frames'),
  sleeve: madeReader('sleeve'),
  plug: madeReader('plug'),
  wrap: madeReader('wrap'),
};
export const FAMILY = storedJson('sheet', bySchema(familySchema), 500);
export const ADAPTOR = storedJson('adaptor', bySchema(adaptorSchema), 1000);
export const ACCESSORY = storedJson('accessory', bySchema(accessorySchema), 2000);
export const COMPOUND = storedJson('compound', bySchema(compoundSchema), 200);
export const FRAME_SHEET = storedJson('sheet of frames', bySchema(frameSheetSchema), 60);
export const PLUG_SHEET = storedJson('sheet of plugs', bySchema(SEAL_SHEETS.plugSheets.schema), 60);
export const SLEEVE_SHEET = storedJson('sheet of sleeves', bySchema(SEAL_SHEETS.sleeveSheets.schema), 60);
export const WRAP_SHEET = storedJson('sheet of wraps', bySchema(SEAL_SHEETS.wrapSheets.schema), 60);
