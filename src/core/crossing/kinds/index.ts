import type { CrossingPlace } from '@/core/frame-building';
import { sheetsInForce } from '@/core/catalogue';
import { ok, refuse, type Result } from '@/core/kernel';
import type { Step } from '@/core/record';
import type { CrossingKindId, Setups } from '../setup';
import { framesKind } from './frames';
import type { AllSheets, CrossingKind, CrossingPart, Made, Sheets } from './kind';
import { plugKind, sleeveKind, wrapKind } from './seals';

/** Every kind of crossing with all that it can do. */
export const KINDS: { readonly [K in CrossingKindId]: CrossingKind<K> } = {
  frames: framesKind,
  sleeve: sleeveKind,
  plug: plugKind,
  wrap: wrapKind,
};

/**
 * The sheet that a crossing stands on. One that names none takes a sheet in force that suits it. Refused when the catalogue has no such sheet: nothing is
 * made up.
 */
export function sheetOf<K extends CrossingKindId>(
  setup: Setups[K] & { readonly kind: K },
  all: AllSheets,
): Result<Sheets[K]> {
  const kind: CrossingKind<K> = KINDS[setup.kind];
  const sheets = kind.sheets(all);
  const { sheet: named } = setup;
  if (named === undefined) {
    const current: readonly Sheets[K][] = sheetsInForce<Sheets[K]>(sheets);
    const found = current.find((s) => kind.suits(setup, s)) ?? current[0];
    return found ? ok(found) : refuse('sheet', `the catalogue has no ${kind.words}: import their sheet`);
  }
  const found = sheets.find((s) => s.code === named.code && s.sheet.revision === named.revision);
  return found
    ? ok(found)
    : refuse('sheet', 'is not in the catalogue', `${named.code} revision ${named.revision}`);
}

/** The building of a plan as steps. */
export const stepsOf = <K extends CrossingKindId>(
  { of, request, plan }: Made<K>,
  setup: Setups[K],
  place: CrossingPlace,
): Step[] => KINDS[of].steps(request, plan, setup, place);

/** Everything that a plan takes from the store. */
export const partsOf = <K extends CrossingKindId>({ of, request, plan }: Made<K>): CrossingPart[] =>
  KINDS[of].parts(request, plan);

export const briefOf = <K extends CrossingKindId>({ of, request, plan }: Made<K>): string =>
  KINDS[of].brief(request, plan);

export * from './kind';
export * from './plan-seal';
