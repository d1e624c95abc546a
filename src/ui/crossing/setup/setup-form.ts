import type { Control } from 'react-hook-form';
import { frameSetupSchema, type FrameSetup } from '@/core/crossing';

/** All of a setup but its locks, which are set on the face. */
export const setupFormSchema = frameSetupSchema.omit(['locked']);
export type SetupForm = Omit<FrameSetup, 'locked'>;
export type SetupControl = Control<SetupForm>;

export const formOf = ({ locked: _locked, ...setup }: FrameSetup): SetupForm => setup;
