'use client';
import { STATIONS } from '@/core/record';
import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useColorScheme } from '@mui/material/styles';
import type { Arc } from '@/core/procedure';
import { Collar } from '../collar/Collar';
import { useUnit } from '../common/unit';
import { useActor } from './actor';
import { isAt, placesOf } from './places';
import { PlacesDrawer } from './PlacesDrawer';
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
  const { mode, systemMode, setMode } = useColorScheme();
  const dark = (mode === 'system' ? systemMode : mode) === 'dark';
  const groups = placesOf(job?.slug ?? null);
  return (
    <header className={styles.bar}>
      <PlacesDrawer groups={groups} at={at} job={job?.name ?? null} />
      <Link href="/" className={styles.brand} aria-label="Amber Collar, all jobs">
        <Collar arcs={MARK} size={28} label={false} />
        <span className={styles.names}>
          <span className={styles.house}>Amber Collar</span>
          {job ? <span className={styles.job}>{job.name}</span> : null}
        </span>
      </Link>
      <nav className={styles.places} aria-label="Places">
        {groups.map((group) => (
          <div key={group.name} className={styles.group} role="group" aria-label={group.name}>
            {group.places.map((place) => (
              <Link
                key={place.href}
                href={place.href}
                className={styles.place}
                aria-current={isAt(at, place) ? 'page' : undefined}
              >
                {place.name}
              </Link>
            ))}
          </div>
        ))}
      </nav>
      <div className={styles.tools}>
        <Button
          variant="outlined"
          size="small"
          onClick={toggle}
          aria-label={`Show ${unit === 'mm' ? 'inches' : 'millimetres'} first`}
          data-shortcut="u"
        >
          {unit}
        </Button>
        <Button
          variant="outlined"
          size="small"
          onClick={() => setMode(dark ? 'light' : 'dark')}
          aria-label="Switch between paper and bench dark"
          suppressHydrationWarning
        >
          {dark ? 'paper' : 'dark'}
        </Button>
        <ActorField />
      </div>
    </header>
  );
}

export function ActorField() {
  const { name, setName } = useActor();
  return (
    <InputBase
      id="actor-name"
      value={name}
      onChange={(e) => setName(e.target.value)}
      placeholder="Who are you?"
      autoComplete="off"
      className={styles.name}
      slotProps={{ input: { 'aria-label': 'Your name, for the record', maxLength: 60 } }}
      data-missing={name.trim() === '' ? 'yes' : undefined}
    />
  );
}
