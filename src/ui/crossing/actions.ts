import type { WorkAction } from '../termination/actions';
import type { CrossingRef } from '@/core/record';
import type { Result } from '@/core/kernel';
import type { PlacesPreview, PlanDraft, ReentryDraft } from '@/core/crossing';

/** What a crossing's pages ask of the server. */
export interface CrossingActions {
  readonly save: (ref: CrossingRef, version: number, setup: unknown) => Promise<Result<{ version: number }>>;
  readonly take: (ref: CrossingRef, draft: PlanDraft) => Promise<Result<{ planHash: string }>>;
  readonly reenter: (ref: CrossingRef, draft: ReentryDraft) => Promise<Result<{ planHash: string }>>;
  readonly work: WorkAction;
  readonly preview: (ref: CrossingRef, text: string) => Promise<Result<PlacesPreview>>;
}
