'use client';
import { createContext, useContext, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import { formatInch, formatInchFraction, formatMm, trimNumber, type LengthUnit } from '@/core/units';

const KEY = 'ac_unit';
const listeners = new Set<() => void>();

const store = {
  subscribe: (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  read: (): LengthUnit => (localStorage.getItem(KEY) === 'in' ? 'in' : 'mm'),
  write: (unit: LengthUnit) => {
    localStorage.setItem(KEY, unit);
    for (const listener of listeners) listener();
  },
};

const UnitContext = createContext<{ unit: LengthUnit; toggle: () => void }>({
  unit: 'mm',
  toggle: () => undefined,
});

/** Which unit is shown first. The other is always beside or below it. */
export function UnitProvider({ children }: { readonly children: ReactNode }) {
  const unit = useSyncExternalStore(store.subscribe, store.read, () => 'mm' as const);
  const value = useMemo(() => ({ unit, toggle: () => store.write(unit === 'mm' ? 'in' : 'mm') }), [unit]);
  return <UnitContext.Provider value={value}>{children}</UnitContext.Provider>;
}

export const useUnit = () => useContext(UnitContext);

/** A measured diameter or interval in both units: `28–28.4 mm` and `1.102–1.118 in`. */
export function diameterTexts(min: number, max: number): Record<LengthUnit, string> {
  const one = min === max;
  return {
    mm: one ? `${trimNumber(min, 2)} mm` : `${trimNumber(min, 2)}–${trimNumber(max, 2)} mm`,
    in: one ? `${formatInch(min)} in` : `${formatInch(min)}–${formatInch(max)} in`,
  };
}

/** A cut length in both units, inches as fractions of a rule. */
export const lengthTexts = (mm: number): Record<LengthUnit, string> => ({
  mm: `${trimNumber(mm, 1)} mm`,
  in: `${formatInchFraction(mm, 32)} in`,
});

export const depthTexts = (mm: number): Record<LengthUnit, string> => ({
  mm: `${formatMm(mm, 1)} mm`,
  // Less than the finest division is not nothing.
  in: mm > 0 && mm < 25.4 / 64 ? 'under 1/64 in' : `${formatInchFraction(mm, 64, 'down')} in`,
});
