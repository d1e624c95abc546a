import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import type { ReactNode } from 'react';
import { lookAsItWas } from '@/server/as-it-was';
import type * as gate from '@/server/gate';
import { AsItWas } from '@/ui/as-it-was/AsItWas';
import { Away } from '../away';
import styles from '../page.module.css';
import { Refused } from '../refusal';
import { forThisRequest } from '../this-request';

interface Asked<N extends gate.ReadName> {
  readonly name: N;
  readonly args: Parameters<typeof gate.look<N>>[1];
  readonly title: string;
  readonly from?: readonly (readonly [words: string, href: string])[];
  /** Where it is shown as it is, as soon as the database is whole. */
  readonly live: string;
  readonly show: (value: gate.ValueOf<N>) => ReactNode;
}

/** A page of what a node last knew that has lost the others; where the database is whole, the page that shows it as it is. */
export async function shownAsItWas<N extends gate.ReadName>(asked: Asked<N>): Promise<ReactNode> {
  const { name, args, title, from, live, show } = asked;
  const given = await headers();
  const seen = await forThisRequest(() => lookAsItWas(name, args, given));
  if (seen.state === 'writes') redirect(live);
  if (seen.state === 'away') return <Away />;
  if (seen.problems !== null) return <Refused problems={seen.problems} back="/as-it-was" />;
  const ageMs = Date.now() - Date.parse(seen.at);
  return (
    <div className={styles.shell}>
      <div className={styles.body}>
        <AsItWas title={title} at={seen.at} ageMs={ageMs} {...(from === undefined ? {} : { from })}>
          {show(seen.value)}
        </AsItWas>
      </div>
    </div>
  );
}

export const JOBS_THEN = ['Jobs as they were', '/as-it-was'] as const;
