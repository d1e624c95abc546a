'use client';
import Box from '@mui/material/Box';
import { useQueryClient } from '@tanstack/react-query';
import dynamic from 'next/dynamic';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { subjectKey } from '@/core/kept-work';
import type { SubjectRef } from '@/core/record';
import { Coming } from '../kit-of-parts/Coming';
import { Place } from '../kit-of-parts/Place';
import { To } from '../kit-of-parts/To';
import { ActorProvider, useActor } from '../shell/actor';
import { lastPerson } from '../shell/last-person';
import { OnThisDevice } from './OnThisDevice';
import { getAlong, type Along } from './kept-db';
import { subjectAt, subjectName } from './subject-words';

const Bench = dynamic(() => import('../bench/Bench').then((m) => m.Bench));
const BuildPage = dynamic(() => import('../crossing/BuildPage').then((m) => m.BuildPage));

const never = () => () => undefined;

/** The one page that opens without a server: at the address of a bench that is with this device, that bench; anywhere else, what is with it. */
export function DevicePage() {
  const path = useSyncExternalStore<string | null>(
    never,
    () => window.location.pathname,
    () => null,
  );
  const signedIn = useActor();
  // Without a server the page cannot know who is signed in; the device does.
  const person = useSyncExternalStore(
    never,
    () => signedIn ?? lastPerson(),
    () => signedIn,
  );
  if (path === null) return <Coming what="what is on this device" />;
  const subject = subjectAt(path);
  return (
    <ActorProvider person={person}>
      {subject === null ? <OnThisDevice at={path} /> : <AlongBench subject={subject} />}
    </ActorProvider>
  );
}

function AlongBench({ subject }: { readonly subject: SubjectRef }) {
  const client = useQueryClient();
  const key = subjectKey(subject);
  const [along, setAlong] = useState<Along | 'none' | null>(null);
  useEffect(() => {
    let here = true;
    void getAlong(key)
      .catch(() => null)
      .then((found) => {
        if (!here) return;
        if (found !== null) seed(client, found);
        setAlong(found ?? 'none');
      });
    return () => {
      here = false;
    };
  }, [client, key]);
  if (along === null) return <Coming what={subjectName(subject)} />;
  if (along === 'none')
    return (
      <Place title={subjectName(subject)} lead="There is no server, and this is not with this device.">
        <Box sx={{ my: 2 }}>
          <To href="/on-this-device">See what is with it</To>
        </Box>
      </Place>
    );
  return along.subject.kind === 'termination' ? (
    <Bench end={endRef(along.subject)} />
  ) : (
    <BuildPage at={{ job: along.subject.job, crossing: along.subject.crossing }} />
  );
}

const endRef = ({ job, cable, end }: Extract<SubjectRef, { readonly kind: 'termination' }>) => ({
  job,
  cable,
  end,
});

/** What was seen last stands in for the server. */
function seed(client: ReturnType<typeof useQueryClient>, { subject, view, seenAt }: Along): void {
  const key =
    subject.kind === 'termination'
      ? ['viewTermination', endRef(subject)]
      : ['viewCrossing', { job: subject.job, crossing: subject.crossing }];
  client.setQueryData(key, view, { updatedAt: seenAt });
}
