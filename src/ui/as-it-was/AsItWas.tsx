'use client';
import Box from '@mui/material/Box';
import { useRouter } from 'next/navigation';
import { useEffect, type ReactNode } from 'react';
import { Caution } from '../kit-of-parts/Caution';
import { Place } from '../kit-of-parts/Place';
import { Way } from '../kit-of-parts/Way';
import { ageWords, instantWords } from './age-words';

const AGAIN_MS = 10_000;

interface Props {
  readonly title: string;
  /** The places above this one. */
  readonly from?: readonly (readonly [words: string, href: string])[];
  /** Of when what is shown is, and how old that was when it was read. */
  readonly at: string;
  readonly ageMs: number;
  readonly children: ReactNode;
}

/** What a node last knew that has lost the others. Its age stands before all of it, and it is looked at again by itself until the database is whole. */
export function AsItWas({ title, from = [], at, ageMs, children }: Props) {
  const router = useRouter();
  useEffect(() => {
    const every = setInterval(() => router.refresh(), AGAIN_MS);
    return () => clearInterval(every);
  }, [router]);
  return (
    <Place title={title} {...(from.length > 0 ? { way: <Way from={from} here={title} /> } : {})}>
      {/* However far down is read, of when it is stays in sight. */}
      <Box sx={{ position: 'sticky', top: -16, zIndex: 1, my: 1.5, bgcolor: 'background.default' }}>
        <Caution>
          <Box component="strong" sx={{ display: 'block', fontSize: 17 }}>
            As it was at <time dateTime={at}>{instantWords(at)}</time>, {ageWords(ageMs)} ago. Nothing to work
            by.
          </Box>
          <Box component="span" sx={{ display: 'block', maxWidth: '80ch' }}>
            The node that answers has lost the others: what was held, measured, withdrawn or signed since is
            not in it, and nothing is written. What is done meanwhile stays with the devices that do it.
          </Box>
        </Caution>
      </Box>
      {children}
    </Place>
  );
}
