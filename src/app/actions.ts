'use server';
import { ok, type Result } from '@/core/kernel';
import type { Reading } from '@/core/cable-measurement';
import type { MissingField } from '@/core/gland-selection';
import type { PlanDraft, ReentryDraft } from '@/core/crossing';
import type { CrossingRef, SubjectRef, TerminationRef, WorkInput } from '@/core/record';
import type { JobPick } from '@/core/job-choice';
import type { SpareRule } from '@/core/kit';
import { actLoose, lookLoose, type ReadName, type ValueOf, type WriteName } from '@/server/gate';
import { gridRow } from '@/ui/schedule/grid-columns';
import type { RowOutcome, RowVersions } from '@/ui/termination/actions';
import { currentActor } from './actor';

// What these functions are typed as is what our own pages send. Anybody may send anything: the gate reads the arguments by their schemas.

const does = async <N extends WriteName>(name: N, ...given: unknown[]): Promise<Result<ValueOf<N>>> =>
  (await actLoose(name, given, await currentActor())) as Result<ValueOf<N>>;

const looks = async <N extends ReadName>(name: N, ...given: unknown[]): Promise<Result<ValueOf<N>>> =>
  (await lookLoose(name, given)) as Result<ValueOf<N>>;

export const addReading = async (ref: TerminationRef, reading: Reading, id: string) =>
  does('addReading', ref, reading, id);
export const withdrawReading = async (ref: TerminationRef, id: number) => does('withdrawReading', ref, id);
export const takeSize = async (ref: TerminationRef, size: string, eventId: string, knowing: boolean) =>
  does('takeSize', ref, size, eventId, knowing);
export const lockSize = async (ref: TerminationRef, version: number, locked: boolean) =>
  does('lockSize', ref, version, locked);
export const answerFact = async (ref: TerminationRef, field: MissingField, value: unknown) =>
  does('answerFact', ref, field, value);
export const replan = async (ref: TerminationRef, eventId: string) => does('replan', ref, eventId);
export const work = async (ref: SubjectRef, input: WorkInput) => does('work', ref, input);
export const setTerminals = async (ref: TerminationRef, version: number, text: string) =>
  does('setTerminals', ref, version, text);
export const setCompound = async (ref: TerminationRef, version: number, product: string | null) =>
  does('setCompound', ref, version, product);

export const acceptJobChoice = async (job: string, picks: readonly JobPick[]) =>
  does('acceptJobChoice', job, picks);
export const restampPlans = async (job: string, tags: readonly string[]) => does('restamp', job, tags);
export const setProfile = async (job: string, version: number, profile: unknown) =>
  does('setProfile', job, version, profile);
export const kitAgainstStock = async (job: string, rule: SpareRule, stock: string) =>
  looks('kitAgainst', job, rule, stock);

export const addCrossing = async (job: string, name: string) => does('addCrossing', job, name);
export const saveCrossing = async (ref: CrossingRef, version: number, setup: unknown) =>
  does('setCrossing', ref, version, setup);
export const takeCrossing = async (ref: CrossingRef, draft: PlanDraft) =>
  does('takeCrossingPlan', ref, draft);
export const reenterCrossing = async (ref: CrossingRef, draft: ReentryDraft) =>
  does('takeReentry', ref, draft);
export const previewPlaces = async (ref: CrossingRef, text: string) => looks('previewPlaces', ref, text);

export const undo = async (job: string) => does('undo', job);
export const addCable = async (job: string, fields: Readonly<Record<string, string>>) =>
  does('addCable', job, fields);
export const retireCable = async (job: string, cableId: number, version: number) =>
  does('retireCable', job, cableId, version);

export async function editRow(
  job: string,
  cableId: number,
  versions: RowVersions,
  fields: Readonly<Record<string, string>>,
): Promise<Result<RowOutcome>> {
  const outcome = await does('editCable', job, cableId, versions, fields);
  if (!outcome.ok) return outcome;
  if ('saved' in outcome.value) return ok({ saved: true });
  const view = await looks('viewJob', job);
  if (!view.ok) return view;
  const { by, row } = outcome.value.conflict;
  const { versions: current, id: _id, ...values } = gridRow(row, view.value.unit);
  return ok({ conflict: { by, values, versions: current } });
}

export const previewCatalogueFile = async (text: string) => looks('previewCatalogue', text);
export const importCatalogueFile = async (text: string) => does('importCatalogue', text);
