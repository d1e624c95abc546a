'use client';
import { useState } from 'react';
import { fail, MAX_FILE_BYTES, MAX_FILE_WORDS, refuse, type Problem, type Result } from '@/core/kernel';
import { useChanged } from '../data/use-send';
import { useActor } from '../shell/actor';
import type { ImportOutcomeView, ImportPreviewView } from './schedule-types';

async function send<T>(url: string, body: Blob): Promise<Result<T>> {
  // The server would break the connection off while the file is still on its way.
  if (body.size > MAX_FILE_BYTES)
    return refuse(
      'file',
      `is ${(body.size / 1048576).toFixed(0)} MB; a file of at most ${MAX_FILE_WORDS} is read`,
    );
  try {
    const answer = await fetch(url, {
      method: 'POST',
      body,
      headers: { 'content-type': 'application/octet-stream' },
    });
    return (await answer.json()) as Result<T>;
  } catch {
    return fail([
      { path: '', message: 'The server cannot be reached. Nothing was saved; the file is still here.' },
    ]);
  }
}

/** A file of the schedule: judged first, and taken in only as it was judged. */
export function useScheduleImport(job: string) {
  const base = `/api/job/${encodeURIComponent(job)}/schedule`;
  const { name, ask } = useActor();
  const changed = useChanged();
  const [file, setFile] = useState<File | null>(null);
  const [preview, setPreview] = useState<ImportPreviewView | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [outcome, setOutcome] = useState<ImportOutcomeView | null>(null);
  const [busy, setBusy] = useState(false);

  const fetchOf = async <T>(url: string, body: Blob): Promise<T | null> => {
    setBusy(true);
    const result = await send<T>(url, body);
    setBusy(false);
    setProblems(result.ok ? [] : result.problems);
    return result.ok ? result.value : null;
  };
  const judge = async (chosen: File) => {
    setFile(chosen);
    setOutcome(null);
    setPreview(null);
    setPreview(await fetchOf<ImportPreviewView>(`${base}/preview`, chosen));
  };
  const accept = async () => {
    if (!file || !preview) return;
    if (name.trim() === '') {
      ask();
      setProblems([{ path: 'actor', message: 'Type your name first, top right: the record says who.' }]);
      return;
    }
    const taken = await fetchOf<ImportOutcomeView>(`${base}/import?hash=${preview.hash}`, file);
    if (taken === null) return;
    setOutcome(taken);
    changed();
  };
  return { file, preview, problems, outcome, busy, judge, accept };
}
