import type { InferType, Schema } from 'yup';
import type { Result } from '@/core/kernel';

/** One kind of plan: the shape of its request, and the core's answer to one that has it. */
export interface Kind {
  readonly schema: Schema;
  readonly plan: (request: never) => Result<unknown> | Promise<Result<unknown>>;
}

/** Ties a plan to the schema of its request. */
export const kind = <S extends Schema>(
  schema: S,
  plan: (request: InferType<S>) => Result<unknown> | Promise<Result<unknown>>,
): Kind => ({ schema, plan });
