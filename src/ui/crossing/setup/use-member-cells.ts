import { useFormState, type FieldPath, type FieldValues, type UseFormReturn } from 'react-hook-form';

/** Fields in the cells of one line of a form, each with what is wrong with it. Drawn anew with their own line only. */
export function useMemberCells<T extends FieldValues>(
  { register, getFieldState, control }: UseFormReturn<T>,
  line: FieldPath<T>,
) {
  // The library says its own type in two ways.
  const formState = useFormState({ control, name: line }) as Parameters<typeof getFieldState>[1];
  return (name: FieldPath<T>, read: (typed: unknown) => unknown) => {
    const { ref, ...field } = register(name, { setValueAs: read });
    const { invalid, error } = getFieldState(name, formState);
    return { ...field, inputRef: ref, error: invalid, helperText: error?.message };
  };
}
