'use server';
import { cookies } from 'next/headers';
import { ok, type Result } from '@/core/kernel';
import type { Reading } from '@/core/cable-measurement';
import type { Actor } from '@/server/actor';
import { importCatalogue } from '@/server/operations/catalogue';
import type { MissingField } from '@/core/gland-selection';
import type { CrossingConfirm, CrossingRef, PlanDraft, ReentryDraft } from '@/core/crossing';
import type { JobPick } from '@/core/job-choice';
import type { SpareRule } from '@/core/kit';
import { previewCatalogue } from '@/server/operations/catalogue-preview';
import {
  lockSize as lockSizeOperation,
  replan as replanOperation,
  takeSize as takeSizeOperation,
} from '@/server/operations/choose';
import {
  addCrossing as addCrossingOperation,
  setCrossing as setCrossingOperation,
  takeCrossingPlan as takeCrossingOperation,
} from '@/server/operations/crossing';
import { confirmCrossingStep as confirmCrossingOperation } from '@/server/operations/crossing-build';
import { takeReentry as takeReentryOperation } from '@/server/operations/crossing-reentry';
import { previewPlaces as previewPlacesOperation } from '@/server/operations/crossing-file';
import { answerFact as answerFactOperation } from '@/server/operations/facts';
import { kitAgainst } from '@/server/operations/kit-file';
import { acceptJobChoice as acceptJobChoiceOperation } from '@/server/operations/job-choice';
import {
  previewProfile as previewProfileOperation,
  setProfile as setProfileOperation,
} from '@/server/operations/profile';
import { undoLast } from '@/server/operations/edits';
import {
  logTemperature as logTemperatureOperation,
  recutEnd,
  setCompound as setCompoundOperation,
  setTerminals as setTerminalsOperation,
} from '@/server/operations/end-facts';
import {
  addReading as addReadingOperation,
  withdrawReading as withdrawReadingOperation,
} from '@/server/operations/measure';
import { confirmStep as confirmOperation } from '@/server/operations/record';
import {
  addCable as addCableOperation,
  editCable,
  retireCable as retireOperation,
  type ScheduleEdit,
} from '@/server/operations/schedule';
import { ACTOR_COOKIE } from '@/ui/shell/actor-cookie';
import { gridRow } from '@/ui/schedule/grid-columns';
import type { ConfirmSend, RowOutcome, RowVersions, TerminationRef } from '@/ui/termination/actions';
import { viewJob } from '@/server/operations/view';

/** The one place where it is decided who acts. */
async function actor(): Promise<Actor> {
  const raw = (await cookies()).get(ACTOR_COOKIE)?.value ?? '';
  try {
    return { name: decodeURIComponent(raw) };
  } catch {
    return { name: raw };
  }
}

async function named<T>(work: (who: Actor, now: Date) => Promise<Result<T>>): Promise<Result<T>> {
  const who = await actor();
  if (who.name.trim() === '')
    return {
      ok: false,
      problems: [{ path: 'actor', message: 'Type your name first: the record says who.' }],
    };
  return work(who, new Date());
}

export const addReading = async (ref: TerminationRef, reading: Reading) =>
  named((who, now) => addReadingOperation(ref, reading, who, now));

export const withdrawReading = async (ref: TerminationRef, id: number) =>
  named((who, now) => withdrawReadingOperation(ref, id, who, now));

export const takeSize = async (ref: TerminationRef, size: string, eventId: string) =>
  named((who, now) => takeSizeOperation(ref, size, eventId, who, now));

export const lockSize = async (ref: TerminationRef, version: number, locked: boolean) =>
  named((who, now) => lockSizeOperation(ref, version, locked, who, now));

export const answerFact = async (ref: TerminationRef, field: MissingField, value: unknown) =>
  named((who, now) => answerFactOperation(ref, field, value, who, now));

export const acceptJobChoice = async (job: string, picks: readonly JobPick[]) =>
  named((who, now) => acceptJobChoiceOperation(job, picks, who, now));

export const previewProfile = async (job: string, profile: unknown) => previewProfileOperation(job, profile);

export const setProfile = async (job: string, version: number, profile: unknown) =>
  named((who, now) => setProfileOperation(job, version, profile, who, now));

export const kitAgainstStock = async (job: string, rule: SpareRule, stock: string) =>
  kitAgainst(job, rule, stock);

export const previewCatalogueFile = async (text: string) => previewCatalogue(text, new Date());

export const replan = async (ref: TerminationRef, eventId: string) =>
  named((who, now) => replanOperation(ref, eventId, who, now));

export const confirmStep = async (ref: TerminationRef, input: ConfirmSend) =>
  named((who, now) => confirmOperation(ref, input, who, now));

export const logTemperature = async (
  ref: TerminationRef,
  input: { readonly id: string; readonly tempC: number; readonly at: string },
) => named((who, now) => logTemperatureOperation(ref, input, who, now));

export const recut = async (
  ref: TerminationRef,
  input: { readonly id: string; readonly text: string; readonly at: string },
) => named((who, now) => recutEnd(ref, input, who, now));

export const setTerminals = async (ref: TerminationRef, version: number, text: string) =>
  named((who, now) => setTerminalsOperation(ref, version, text, who, now));

export const setCompound = async (ref: TerminationRef, version: number, product: string | null) =>
  named((who, now) => setCompoundOperation(ref, version, product, who, now));

export const addCrossing = async (job: string, name: string) =>
  named((_who, _now) => addCrossingOperation(job, name));

export const saveCrossing = async (ref: CrossingRef, version: number, setup: unknown) =>
  named((who) => setCrossingOperation(ref, version, setup, who));

export const takeCrossing = async (ref: CrossingRef, draft: PlanDraft) =>
  named((who, now) => takeCrossingOperation(ref, draft, who, now));

export const reenterCrossing = async (ref: CrossingRef, draft: ReentryDraft) =>
  named((who, now) => takeReentryOperation(ref, draft, who, now));

export const confirmCrossing = async (ref: CrossingRef, input: CrossingConfirm) =>
  named((who, now) => confirmCrossingOperation(ref, input, who, now));

export const previewPlaces = async (ref: CrossingRef, text: string) => previewPlacesOperation(ref, text);

export const undo = async (job: string) => named((who, now) => undoLast(job, who, now));

export const addCable = async (job: string, fields: Readonly<Record<string, string>>) =>
  named((who, now) => addCableOperation(job, fields as ScheduleEdit, who, now));

export const retireCable = async (job: string, cableId: number, version: number) =>
  named((who, now) => retireOperation(job, cableId, version, who, now));

export async function editRow(
  job: string,
  cableId: number,
  versions: RowVersions,
  fields: Readonly<Record<string, string>>,
): Promise<Result<RowOutcome>> {
  return named<RowOutcome>(async (who, now) => {
    const outcome = await editCable(job, cableId, versions, fields as ScheduleEdit, who, now);
    if (!outcome.ok) return outcome;
    if ('saved' in outcome.value) return ok({ saved: true });
    const view = await viewJob(job);
    if (!view.ok) return view;
    const { by, row } = outcome.value.conflict;
    const { versions: current, id: _id, ...values } = gridRow(row, view.value.unit);
    return ok({ conflict: { by, values, versions: current } });
  });
}

export const importCatalogueFile = async (text: string) =>
  named((who, now) => importCatalogue(text, who, now));
