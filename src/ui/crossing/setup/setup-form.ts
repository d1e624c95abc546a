import type { Control } from 'react-hook-form';
import { frameSetupSchema, type FrameSetup } from '@/core/crossing';

/** All of a setup but its locks, which are set on the face. */
export const setupFormSchema = frameSetupSchema.omit(['locked']);
export type SetupForm = Omit<FrameSetup, 'locked'>;
export type SetupControl = Control<SetupForm>;

/** A setup as a form has it: every field is there, so that one in which nothing is typed is not taken for a changed one. */
export const formOf = ({ locked: _locked, ...setup }: FrameSetup): SetupForm => ({
  ...setup,
  ...({ press: setup.press, school: setup.school } as Pick<SetupForm, 'press' | 'school'>),
  members: setup.members.map((m) => ({
    ...m,
    ...({ circuit: m.circuit, front: m.front, back: m.back } as Pick<
      SetupForm['members'][number],
      'circuit' | 'front' | 'back'
    >),
  })),
});
