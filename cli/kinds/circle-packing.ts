import {
  boundWords,
  bundle,
  bundleRequestSchema,
  enclose,
  encloseRequestSchema,
  finishPacking,
  type Shape,
} from '@/core/circle-packing';
import { ok } from '@/core/kernel';
import { kind } from './kind';

const clock = () => performance.now();

/** `bundle`: diameters → the smallest circle round them that was found, the bound below it, and where each lies. */
export const bundleKind = kind(bundleRequestSchema, ({ diameters, ...options }) =>
  ok(finishPacking(bundle(diameters, options), options.limitSeconds, clock)),
);

/** `enclose`: do circles fit into a bore or a rectangle? With an arrangement, or the bound that proves that they cannot, or neither. */
export const encloseKind = kind(encloseRequestSchema, ({ shape: given, diameters, ...options }) => {
  const shape: Shape =
    given.kind === 'circle'
      ? { kind: 'circle', d: given.d ?? 0 }
      : { kind: 'rectangle', w: given.w ?? 0, h: given.h ?? 0 };
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
