import type { Schema } from 'yup';
import type { Result } from '@/core/kernel';
import type { Role } from '@/core/people';
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
  /** Who looks or does it, and as what in the job that it is about. */
  readonly who: Actor;
  readonly roles: readonly Role[];
}

interface Registered {
  readonly names: readonly string[];
  /** Goes over a whole job: few at once, bounded in time, ended when nobody waits. */
  readonly heavy: boolean;
  /** Slug of the job that arguments are about; null when they are about none. */
  readonly jobOf: (args: readonly unknown[]) => string | null;
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

/** The job that an argument names by itself, or as a part of a reference to what is in it. */
const jobIn = (name: string, value: unknown): string | null => {
  if (name === 'job') return typeof value === 'string' ? value : null;
  if (name !== 'ref' && name !== 'subject') return null;
  return typeof value === 'object' && value !== null && 'job' in value && typeof value.job === 'string'
    ? value.job
    : null;
};

function partsOf<S extends readonly Schema[]>(named: Named<S>, weight: 'light' | 'heavy') {
  const names = named.map(([name]) => name);
  const schemas = named.map(([, schema]) => schema) as unknown as S;
  return {
    names,
    heavy: weight === 'heavy',
    jobOf: (args: readonly unknown[]) =>
      names.reduce<string | null>((found, name, i) => found ?? jobIn(name, args[i]), null),
    parse: (given: readonly unknown[]) => readArguments(names, schemas, given),
  };
}

/** Registers an operation that looks: its arguments by name and schema, and what it does with them. */
export function read<S extends readonly Schema[], T>(
  named: Named<S>,
  run: (args: ArgumentsOf<S>, call: Call) => Promise<Result<T>>,
  weight: 'light' | 'heavy' = 'light',
): Read<ArgumentsOf<S>, T> {
  return { kind: 'read', ...partsOf<S>(named, weight), run };
}

/** Registers an operation that writes. */
export function write<S extends readonly Schema[], T>(
  named: Named<S>,
  run: (args: ArgumentsOf<S>, who: Actor, call: Call) => Promise<Result<T>>,
  weight: 'light' | 'heavy' = 'light',
): Write<ArgumentsOf<S>, T> {
  return { kind: 'write', ...partsOf<S>(named, weight), run };
}
