import type { InferType, Schema } from 'yup';
import type { Result } from '@/core/kernel';
import type { Kind } from '../plan-kinds';

/** Ties a plan to the schema of its request. */
export const kind = <S extends Schema>(
  schema: S,
  plan: (request: InferType<S>) => Result<unknown> | Promise<Result<unknown>>,
): Kind => ({ schema, plan });
