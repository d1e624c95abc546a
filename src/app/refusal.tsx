import { Link } from '@/ui/kit-of-parts/Link';
import type { Problem } from '@/core/kernel';
import { AWAY } from '@/server/gate';
import { Away } from './away';
import { ProductShell } from './product-shell';
import styles from './page.module.css';

interface Props {
  readonly problems: readonly Problem[];
  readonly back: string;
}

/** The same on a page of its own, with the top bar. */
export const RefusedPage = (props: Props) => (
  <ProductShell>
    <Refused {...props} />
  </ProductShell>
);

/** A page that cannot be shown: why, and where to go on. */
export function Refused({ problems, back }: Props) {
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
