import { buildingSteps } from '@/core/frame-building';
import {
  checkBuiltFrames,
  checkFramePlan,
  frameParts,
  frameRequestSchema,
  readFramePlan,
} from '@/core/frame-packing';
import { fail, validate } from '@/core/kernel';
import { crossingRequest, requestHash } from '../setup';
import type { CrossingKind } from './kind';

/** Transit frames: modules in rows, pressed together. */
export const framesKind: CrossingKind<'frames'> = {
  words: 'transit frames',
  sheets: (all) => all.frames,
  bare: (sheet) => ({
    kind: 'frames',
    place: '',
    rating: '',
    members: [],
    apart: [],
    spareShare: 0.2,
    ...(sheet ? { sheet: { code: sheet.code, revision: sheet.sheet.revision } } : {}),
    frames: sheet?.frames.map((f) => f.id) ?? ['none'],
  }),
  suits: ({ frames: [first] }, sheet) => sheet.frames.some((f) => f.id === first),
  ask: crossingRequest,
  requestOf: (asked) => asked.request,
  hashOf: requestHash,
  accept: (request, draft, as) => {
    const read = readFramePlan(draft);
    if (!read.ok || read.value.cost === null) return read;
    const audit = (as === 'asBuilt' ? checkBuiltFrames : checkFramePlan)(request, read.value);
    return audit.ok ? read : fail(audit.problems.slice(0, 20).map((p) => ({ ...p, path: `plan.${p.path}` })));
  },
  readRequest: (stored) => validate(frameRequestSchema, stored, true),
  readPlan: readFramePlan,
  sheetNamed: (request) => request.sheet,
  steps: (request, plan, { school }, place) =>
    buildingSteps(request, plan, { ...place, ...(school ? { school } : {}) }),
  parts: (request, plan) =>
    frameParts(request, plan).map(({ id, what, quantity, unit }) => ({
      id,
      what,
      count: quantity,
      unit: unit === 'ml' ? 'ml' : 'piece',
    })),
  brief: (_, plan) => plan.frames.map((f) => f.frame).join(' + '),
  refusal: (plan) => (plan.cost === null ? { path: 'plan', message: 'there is no plan to take' } : null),
};
