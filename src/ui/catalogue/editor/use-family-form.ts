'use client';
import { useRef, useState } from 'react';
import { useFieldArray, useForm } from 'react-hook-form';
import type { Family, StageMethod } from '@/core/catalogue';
import { problemsResolver } from '../../kit-of-parts/form/schema-resolver';
import { following, nextSize, problemsOf } from './family-draft';

/**
 * A sheet that is typed over another: every figure judged at every stroke. What is typed into one field is one step, and every step can be taken
 * back. What is no number stays as it is typed and is named at its field.
 */
export function useFamilyForm(family: Family, today: string) {
  // Judged once a stroke, as the catalogue judges the file that would be made of it: what is said at the fields is said in the foot too.
  const [problems, setProblems] = useState(() => problemsOf(family, family, today));
  const form = useForm<Family>({
    defaultValues: family,
    resolver: problemsResolver((values) => {
      const found = problemsOf(values, family, today);
      setProblems(found);
      return found;
    }),
    mode: 'onChange',
  });
  const { control, getValues, setValue, reset, trigger } = form;
  const sizes = useFieldArray({ control, name: 'sizes' });
  const [past, setPast] = useState<readonly Family[]>([]);
  const lastField = useRef('');

  /** Before something is changed: what stood there can come back. Strokes in one field are one step. */
  const before = (field: string) => {
    if (field !== '' && lastField.current === field) return;
    const now = structuredClone(getValues());
    setPast((steps) => [...steps, now]);
    lastField.current = field;
  };
  const judge = () => void trigger();
  const recode = (row: number, code: string) => {
    const { code: was, partNumber } = getValues(`sizes.${row}`);
    setValue(`sizes.${row}.code`, code);
    setValue(`sizes.${row}.partNumber`, following(partNumber, was, code));
  };
  return {
    form,
    problems,
    sizes: sizes.fields,
    before,
    /** Whether a step can be taken back. */
    touched: past.length > 0,
    undo: () => {
      const last = past[past.length - 1];
      if (!last) return;
      setPast(past.slice(0, -1));
      lastField.current = '';
      reset(last, { keepDefaultValues: true });
      judge();
    },
    /** The family under another code: its sizes and their part numbers follow. So a new family begins as a copy of one like it. */
    rename: (code: string) => {
      before('code');
      const { code: was, sizes: all } = getValues();
      setValue('code', code);
      all.forEach((size, row) => recode(row, following(size.code, was, code)));
      judge();
    },
    recode: (row: number, code: string) => {
      before(`sizes.${row}.code`);
      recode(row, code);
      judge();
    },
    setMethod: (stage: number, method: StageMethod) => {
      before('');
      setValue(`stages.${stage}.method`, method);
      judge();
    },
    addSize: () => {
      const size = nextSize(getValues());
      if (!size) return;
      before('');
      sizes.append(size, { shouldFocus: false });
      judge();
    },
    dropSize: (row: number) => {
      before('');
      sizes.remove(row);
      judge();
    },
  };
}

export type FamilyForm = ReturnType<typeof useFamilyForm>;
