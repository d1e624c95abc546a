'use client';
import { useQuery } from '@tanstack/react-query';
import type { Problem } from '@/core/kernel';
import type { CodeProfile } from '@/core/schedule';
import type { ProfileChange } from '@/core/termination-view';
import { formText } from '../kit-of-parts/form/form-text';
import { useSettled } from '../common/use-settled';
import { previewProfile } from './preview-profile';

/** Until a hand rests this long nothing is asked: a whole job is judged for each answer. */
const REST_MS = 350;

interface Preview {
  /** Null while the job is being judged, or when it cannot be. */
  readonly changes: readonly ProfileChange[] | null;
  readonly problems: readonly Problem[];
}

/** What a profile would change, asked when the hand rests; a question that is overtaken ends its work on the server too. */
export function useProfilePreview(job: string, draft: CodeProfile, wanted: boolean): Preview {
  const text = wanted ? formText(draft) : '';
  const settled = useSettled(text, REST_MS);
  const { data } = useQuery({
    queryKey: ['profilePreview', job, settled],
    queryFn: ({ signal }) => previewProfile(job, JSON.parse(settled) as unknown, signal),
    enabled: wanted && settled === text,
    staleTime: 0,
    gcTime: 0,
  });
  if (!wanted || data === undefined || settled !== text) return { changes: null, problems: [] };
  return data.ok ? { changes: data.value, problems: [] } : { changes: null, problems: data.problems };
}
