'use client';
import { useCallback, useState } from 'react';
import type { GridColumnVisibilityModel } from '@mui/x-data-grid';

const KEY = 'ac_schedule_columns';

/** Columns that a person has put away on this device; what cannot be read is as if nothing were. */
function read(): GridColumnVisibilityModel {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept)
      ? Object.fromEntries(kept.filter((f): f is string => typeof f === 'string').map((f) => [f, false]))
      : {};
  } catch {
    return {};
  }
}

export function useColumns() {
  const [shown, setShown] = useState(read);
  const toggle = useCallback(
    (field: string) =>
      setShown((was) => {
        const now = { ...was, [field]: was[field] === false };
        localStorage.setItem(KEY, JSON.stringify(Object.keys(now).filter((f) => now[f] === false)));
        return now;
      }),
    [],
  );
  return { shown, toggle };
}
