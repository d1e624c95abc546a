'use client';
import dynamic from 'next/dynamic';
import type { CrossingRef } from '@/core/record';
import { useShown } from '../data/use-look';

// Only the page of its kind comes along.
const FramesPage = dynamic(() => import('./FramesPage').then((m) => m.FramesPage));
const SealPage = dynamic(() => import('./seal/SealPage').then((m) => m.SealPage));

/** One crossing, by whatever closes it. */
export function CrossingPage({ at }: { readonly at: CrossingRef }) {
  const view = useShown(['viewCrossing', at]);
  return view.kind === 'frames' ? (
    <FramesPage at={at} view={view} />
  ) : (
    <SealPage key={view.kind} at={at} view={view} />
  );
}
