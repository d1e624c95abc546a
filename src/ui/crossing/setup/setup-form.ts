import type { Control } from 'react-hook-form';
import { crossingSetupSchema, type CrossingSetup } from '@/core/crossing';

/** All of a setup but its locks, which are set on the face. */
export const setupFormSchema = crossingSetupSchema.omit(['locked']);
export type SetupForm = Omit<CrossingSetup, 'locked'>;
export type SetupControl = Control<SetupForm>;

export const formOf = ({ locked: _locked, ...setup }: CrossingSetup): SetupForm => setup;
