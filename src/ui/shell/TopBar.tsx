'use client';
import { STATIONS } from '@/core/record';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useColorScheme } from '@mui/material/styles';
import type { Arc } from '@/core/procedure';
import { Collar } from '../collar/Collar';
import { useUnit } from '../common/unit';
import { useActor } from './actor';
import styles from './TopBar.module.css';

const MARK: readonly Arc[] = STATIONS.map((station, i) => ({
  station,
  state: i === 4 ? 'todo' : 'done',
  share: i === 4 ? 0 : 1,
  result: '',
}));

interface Props {
  readonly job: { readonly slug: string; readonly name: string } | null;
}

/** Where am I, where can I go, in which unit and light, and who is it. */
export function TopBar({ job }: Props) {
  const at = usePathname();
  const { unit, toggle } = useUnit();
  const { mode, setMode } = useColorScheme();
  const places = job
    ? [
        { href: `/job/${job.slug}/board`, name: 'Board', under: `/job/${job.slug}/board` },
        { href: `/job/${job.slug}/schedule`, name: 'Schedule', under: `/job/${job.slug}/schedule` },
        { href: `/job/${job.slug}/t`, name: 'Terminations', under: `/job/${job.slug}/t` },
        { href: `/job/${job.slug}/whole-job`, name: 'Whole job', under: `/job/${job.slug}/whole-job` },
        { href: `/job/${job.slug}/kit`, name: 'Kit', under: `/job/${job.slug}/kit` },
        { href: `/job/${job.slug}/compound`, name: 'Compound', under: `/job/${job.slug}/compound` },
        { href: `/job/${job.slug}/crossings`, name: 'Crossings', under: `/job/${job.slug}/crossings` },
        { href: `/job/${job.slug}/prints`, name: 'Prints', under: `/job/${job.slug}/prints` },
        { href: `/job/${job.slug}/profile`, name: 'Profile', under: `/job/${job.slug}/profile` },
      ]
    : [];
  return (
    <header className={styles.bar}>
      <Link href="/" className={styles.brand}>
        <Collar arcs={MARK} size={28} label={false} />
        <span>Amber Collar</span>
      </Link>
      {job ? (
        <span className={styles.job} title={job.name}>
          {job.name}
        </span>
      ) : null}
      <nav className={styles.places} aria-label="Places">
        {[
          ...places,
          {
            href: job ? `/catalogue?job=${encodeURIComponent(job.slug)}` : '/catalogue',
            name: 'Catalogue',
            under: '/catalogue',
          },
        ].map((p) => (
          <Link
            key={p.href}
            href={p.href}
            className={styles.place}
            aria-current={at.startsWith(p.under) ? 'page' : undefined}
          >
            {p.name}
          </Link>
        ))}
      </nav>
      <div className={styles.tools}>
        <button
          type="button"
          className={styles.tool}
          onClick={toggle}
          aria-label={`Show ${unit === 'mm' ? 'inches' : 'millimetres'} first`}
          data-shortcut="u"
        >
          {unit}
        </button>
        <button
          type="button"
          className={styles.tool}
          onClick={() => setMode(mode === 'dark' ? 'light' : 'dark')}
          aria-label="Switch between paper and bench dark"
          suppressHydrationWarning
        >
          {mode === 'dark' ? 'paper' : 'dark'}
        </button>
        <ActorField />
      </div>
    </header>
  );
}

export function ActorField() {
  const { name, setName } = useActor();
  return (
    <label className={styles.who}>
      <span className="ac-visually-hidden">Your name, for the record</span>
      <input
        id="actor-name"
        className={styles.name}
        value={name}
        onChange={(e) => setName(e.target.value)}
        placeholder="Who are you?"
        maxLength={60}
        autoComplete="off"
        data-missing={name.trim() === '' ? 'yes' : undefined}
      />
    </label>
  );
}
