import { array, number, object, string } from 'yup';
import {
  accessorySchema,
  adaptorSchema,
  compoundSchema,
  familySchema,
  frameSheetSchema,
} from '@/core/catalogue';
import { crossingSetupSchema } from '@/core/crossing';
import { frameRequestSchema, readFramePlan } from '@/core/frame-packing';
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
export const PLAN = storedJson('plan', readPlan, 1000);
export const CROSSING_SETUP = storedJson('setup of crossing', bySchema(crossingSetupSchema), 100);
export const FRAME_REQUEST = storedJson('request of crossing plan', bySchema(frameRequestSchema), 60);
export const FRAME_PLAN = storedJson('crossing plan', readFramePlan, 60);
export const FAMILY = storedJson('sheet', bySchema(familySchema), 500);
export const ADAPTOR = storedJson('adaptor', bySchema(adaptorSchema), 1000);
export const ACCESSORY = storedJson('accessory', bySchema(accessorySchema), 2000);
export const COMPOUND = storedJson('compound', bySchema(compoundSchema), 200);
export const FRAME_SHEET = storedJson('sheet of frames', bySchema(frameSheetSchema), 60);
