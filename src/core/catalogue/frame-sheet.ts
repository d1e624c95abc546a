import { array, object, string, type InferType } from 'yup';
import {
  frameModuleSchema,
  frameSchema,
  lubricantSchema,
  readFrameRequest,
  type FrameRequest,
} from '@/core/frame-packing';
import type { Problem } from '@/core/kernel';
import { sheetSchema } from './family';

/** A system of transit frames as its own sheet describes it: modules, frames with their parts, and what goes with them. */
export const frameSheetSchema = object({
  code: string()
    .matches(/^[A-Z0-9-]{1,20}$/, 'is not a short code such as TF')
    .required(),
  sheet: sheetSchema,
  modules: array().of(frameModuleSchema).min(1).max(200).required(),
  frames: array().of(frameSchema).min(1).max(60).required(),
  lubricant: lubricantSchema,
  cautions: array().of(string().min(3).max(240).required()).required(),
})
  .noUnknown()
  .required();
export type FrameSheet = InferType<typeof frameSheetSchema>;

/** The part of a planner's request that comes from a sheet; `ids` are the frames that are allowed, all of them when left out. */
export const frameOffer = (
  { code, sheet, modules, frames, lubricant }: FrameSheet,
  ids?: readonly string[],
): Pick<FrameRequest, 'modules' | 'frames' | 'lubricant' | 'sheet'> => ({
  modules,
  frames: ids === undefined ? frames : frames.filter((f) => ids.includes(f.id)),
  lubricant,
  sheet: { code, revision: sheet.revision },
});

/** What the planner could not read of a sheet: what stands twice, a corner module that is none. Path by path. */
export function frameSheetProblems(sheet: FrameSheet, path: string): Problem[] {
  const read = readFrameRequest({ ...frameOffer(sheet), cables: [], apart: [], spare: { share: 0 } });
  return read.ok ? [] : read.problems.map((p) => ({ ...p, path: `${path}.${p.path}` }));
}
