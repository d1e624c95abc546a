import {
  boundWords,
  bundle,
  bundleRequestSchema,
  enclose,
  encloseRequestSchema,
  finishPacking,
  packingOptions,
  shapeOf,
} from '@/core/circle-packing';
import { ok } from '@/core/kernel';
import { planStubs, stubsRequestSchema, taskOf } from '@/core/stub-choice';
import { kind } from './kind';

const clock = () => performance.now();

/** `bundle`: diameters → the smallest circle round them that was found, the bound below it, and where each lies. */
export const bundleKind = kind(bundleRequestSchema, ({ diameters, ...given }) => {
  const options = packingOptions(given);
  return ok(finishPacking(bundle(diameters, options), options.limitSeconds, clock));
});

/** `enclose`: do circles fit into a bore or a rectangle? With an arrangement, or the bound that proves that they cannot, or neither. */
export const encloseKind = kind(encloseRequestSchema, ({ shape: given, diameters, ...rest }) => {
  const shape = shapeOf(given);
  const options = packingOptions(rest);
  const found = finishPacking(enclose(shape, diameters, options), options.limitSeconds, clock);
  switch (found.answer) {
    case 'fits':
      return ok(found);
    case 'cannot': {
      const { bound, ...answer } = found;
      return ok({ ...answer, reason: boundWords(bound, shape) });
    }
    case 'notFound':
      return ok({
        ...found,
        reason: `no arrangement was found within the limit; the best would need ${found.shortBy.toFixed(2)} mm more`,
      });
  }
});

/** `stubs`: which cable in which stub at the least cost, with an arrangement for each, the bound, and what goes in nowhere. */
export const stubsKind = kind(stubsRequestSchema, (request) => {
  const task = taskOf(request);
  if (!task.ok) return task;
  return ok(finishPacking(planStubs(task.value), task.value.limitSeconds, clock));
});
