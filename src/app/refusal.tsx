import { Link } from '@/ui/kit-of-parts/Link';
import type { Problem } from '@/core/kernel';
import { AWAY } from '@/server/gate';
import { Away } from './away';
import styles from './page.module.css';

/** A page that cannot be shown: why, and where to go on. */
export function Refused({
  problems,
  back,
}: {
  readonly problems: readonly Problem[];
  readonly back: string;
}) {
  if (problems.some((p) => AWAY.has(p.message))) return <Away />;
  return (
    <main className={styles.notice}>
      <h1>Not here.</h1>
      {problems.map((p) => (
        <p key={p.message}>
          {p.message[0]?.toUpperCase()}
          {p.message.slice(1)}.
        </p>
      ))}
      <p>
        <Link href={back}>Go on from here</Link>
      </p>
    </main>
  );
}
