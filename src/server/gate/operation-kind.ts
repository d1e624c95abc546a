import type { Schema } from 'yup';
import type { Result } from '@/core/kernel';
import type { Actor } from '../actor';
import { readArguments, type ArgumentsOf } from './arguments';

/** What a call brings besides its arguments. */
export interface Call {
  readonly now: Date;
  /** Of what is sent: the same when it is sent again. */
  readonly id: string;
  /** Aborted when whoever asked has gone. */
  readonly signal: AbortSignal;
  /** Told of long work; does nothing where nobody listens. */
  readonly progress: (done: number, of: number) => void;
}

interface Registered {
  readonly names: readonly string[];
  /** Goes over a whole job: few at once, bounded in time, ended when nobody waits. */
  readonly heavy: boolean;
}

/** An operation that only looks. */
export interface Read<A extends readonly unknown[], T> extends Registered {
  readonly kind: 'read';
  readonly parse: (given: readonly unknown[]) => Result<A>;
  readonly run: (args: A, call: Call) => Promise<Result<T>>;
}

/** An operation that writes: it is told who does it. */
export interface Write<A extends readonly unknown[], T> extends Registered {
  readonly kind: 'write';
  readonly parse: (given: readonly unknown[]) => Result<A>;
  readonly run: (args: A, who: Actor, call: Call) => Promise<Result<T>>;
}

type Named<S extends readonly Schema[]> = { readonly [I in keyof S]: readonly [string, S[I]] };

const partsOf = <S extends readonly Schema[]>(named: Named<S>) => ({
  names: named.map(([name]) => name),
  schemas: named.map(([, schema]) => schema) as unknown as S,
});

/** Registers an operation that looks: its arguments by name and schema, and what it does with them. */
export function read<S extends readonly Schema[], T>(
  named: Named<S>,
  run: (args: ArgumentsOf<S>, call: Call) => Promise<Result<T>>,
  weight: 'light' | 'heavy' = 'light',
): Read<ArgumentsOf<S>, T> {
  const { names, schemas } = partsOf<S>(named);
  return {
    kind: 'read',
    names,
    heavy: weight === 'heavy',
    parse: (given) => readArguments(names, schemas, given),
    run,
  };
}

/** Registers an operation that writes. */
export function write<S extends readonly Schema[], T>(
  named: Named<S>,
  run: (args: ArgumentsOf<S>, who: Actor, call: Call) => Promise<Result<T>>,
  weight: 'light' | 'heavy' = 'light',
): Write<ArgumentsOf<S>, T> {
  const { names, schemas } = partsOf<S>(named);
  return {
    kind: 'write',
    names,
    heavy: weight === 'heavy',
    parse: (given) => readArguments(names, schemas, given),
    run,
  };
}
