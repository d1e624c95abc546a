'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { canonicalJson, type Problem } from '@/core/kernel';
import type { CodeProfile } from '@/core/schedule';
import type { ProfileChange, ProfileView } from '@/core/termination-view';
import { Caution } from '../kit-of-parts/Caution';
import { Problems } from '../kit-of-parts/Problems';
import { stationPath } from '../rack/summaries';
import { useRun } from '../termination/use-run';
import { withValue } from '../common/with-value';
import { figureGroups } from './figures';
import { previewProfile } from './preview-profile';
import styles from './ProfilePage.module.css';
import { useSend } from '../data/use-send';

interface Props {
  readonly job: string;
  readonly view: ProfileView;
}

const SYSTEM_WORDS = {
  zones: 'zones',
  divisions: 'classes and divisions',
  industrial: 'no hazardous area',
} as const;

/** The rules a job works to: pick another, edit a figure of the job's own copy, and see what that would change before it is saved. */
export function ProfilePage({ job, view }: Props) {
  const [draft, setDraft] = useState<CodeProfile>(view.profile);
  // The words that are typed; the draft holds what they stand for.
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const [seen, setSeen] = useState<{
    readonly changes: readonly ProfileChange[] | null;
    readonly problems: readonly Problem[];
  }>({
    changes: null,
    problems: [],
  });
  const send = useSend();
  const { run, busy, problems } = useRun();
  const edited = canonicalJson(draft) !== canonicalJson(view.profile);
  useEffect(() => {
    if (!edited) return;
    const left = new AbortController();
    const timer = setTimeout(() => {
      void previewProfile(job, draft, left.signal).then((r) => {
        if (left.signal.aborted) return;
        setSeen(r.ok ? { changes: r.value, problems: [] } : { changes: null, problems: r.problems });
      });
    }, 350);
    return () => {
      left.abort();
      clearTimeout(timer);
    };
  }, [draft, edited, job]);

  const take = (profile: CodeProfile) => {
    setTexts({});
    setSeen({ changes: null, problems: [] });
    setDraft(profile);
  };
  const type = (path: readonly (string | number)[], text: string) => {
    setTexts({ ...texts, [path.join('.')]: text });
    const value = text.trim() === '' ? null : Number(text.replace(',', '.'));
    setSeen({ changes: null, problems: [] });
    // What is no number goes to the server as it was typed: its refusal names path and value.
    setDraft(withValue(draft, path, value === null || Number.isFinite(value) ? value : text));
  };
  const keep = () =>
    void run(() => send('setProfile', job, view.version, draft), `Judged again by ${draft.title}.`).then(
      (r) => r.ok && setTexts({}),
    );
  return (
    <main className={styles.main}>
      <div className={styles.title}>
        <h1>Code profile</h1>
        <Button
          size="small"
          variant="text"
          disabled={busy}
          data-shortcut="z"
          onClick={() => void run(() => send('undo', job), 'Taken back.')}
        >
          Undo
        </Button>
      </div>
      <p className={styles.lead}>
        This job works to <b>{view.profile.title}</b> ({view.profile.edition})
        {view.edited && view.originTitle !== null
          ? `, its own copy of “${view.originTitle}” with edited figures`
          : ''}
        .
      </p>
      <div className={styles.shipped} role="group" aria-label="Shipped profiles">
        {view.shipped.map((p) => (
          <button
            key={p.key}
            type="button"
            className={styles.choice}
            aria-pressed={draft.key === p.key}
            onClick={() => take(p.key === view.profile.key ? view.profile : p)}
          >
            <b>{p.title}</b>
            <span>
              {p.edition} · {SYSTEM_WORDS[p.system]}
            </span>
          </button>
        ))}
      </div>
      <Caution tone="hold">{draft.caution}</Caution>
      {edited ? (
        <section className={styles.change} aria-label="What would change" aria-live="polite">
          <h2>{changeHeadline(seen.changes, seen.problems)}</h2>
          <Problems problems={[...seen.problems, ...problems]} />
          <Changes job={job} changes={seen.changes ?? []} />
          <div className={styles.acts}>
            <Button
              variant="contained"
              color="secondary"
              disabled={busy || seen.changes === null}
              onClick={keep}
            >
              Judge the job by this
            </Button>
            <Button variant="outlined" disabled={busy} onClick={() => take(view.profile)}>
              Leave it as it is
            </Button>
          </div>
        </section>
      ) : (
        <Problems problems={problems} />
      )}
      <div className={styles.named}>
        <label>
          <span>Name of this job’s copy</span>
          <input
            className={styles.text}
            name="title"
            value={draft.title}
            onChange={(e) => setDraft({ ...draft, title: e.target.value })}
          />
        </label>
        <label>
          <span>Edition</span>
          <input
            className={styles.text}
            name="edition"
            value={draft.edition}
            onChange={(e) => setDraft({ ...draft, edition: e.target.value })}
          />
        </label>
      </div>
      <div className={styles.groups}>
        {figureGroups(draft).map((group) =>
          group.figures.length === 0 ? null : (
            <fieldset key={group.key} className={styles.group}>
              <legend>{group.title}</legend>
              {group.figures.map((figure) => {
                const id = figure.path.join('.');
                const text = texts[id] ?? (figure.value === null ? '' : String(figure.value));
                return (
                  <label key={id} className={styles.figure}>
                    <span>{figure.words}</span>
                    <input
                      className={styles.number}
                      inputMode="decimal"
                      name={id}
                      value={text}
                      placeholder={figure.value === null ? 'any' : ''}
                      aria-invalid={seen.problems.some((p) => p.path === dotted(figure.path))}
                      onChange={(e) => type(figure.path, e.target.value)}
                    />
                  </label>
                );
              })}
              <label className={styles.source}>
                <span>source</span>
                <input
                  className={styles.text}
                  value={group.source}
                  onChange={(e) => setDraft(withValue(draft, [group.key, 'source'], e.target.value))}
                />
              </label>
            </fieldset>
          ),
        )}
        <Tables profile={draft} />
      </div>
    </main>
  );
}

const dotted = (path: readonly (string | number)[]): string =>
  path.map((p, i) => (typeof p === 'number' ? `[${p}]` : i === 0 ? p : `.${p}`)).join('');

const isSame = (c: ProfileChange): boolean =>
  c.before.answer === c.after.answer && c.before.barrier === c.after.barrier && c.planFate !== 'lost';

function changeHeadline(changes: readonly ProfileChange[] | null, problems: readonly Problem[]): string {
  if (problems.length > 0) return 'These figures cannot be judged by.';
  if (changes === null) return 'Judging every termination …';
  if (changes.length === 0) return 'Nothing would change at any termination.';
  const other = changes.filter((c) => !isSame(c)).length;
  const lost = changes.filter((c) => c.planFate === 'lost').length;
  const more = lost === 0 ? '' : `; ${lost} planned ${lost === 1 ? 'size does' : 'sizes do'} not do any more`;
  if (other === 0) return 'No answer would change.';
  return `${other} ${other === 1 ? 'termination gets' : 'terminations get'} another answer${more}.`;
}

function Changes({ job, changes }: { readonly job: string; readonly changes: readonly ProfileChange[] }) {
  const others = changes.filter((c) => !isSame(c));
  const same = changes.filter(isSame);
  return (
    <>
      {others.length === 0 ? null : (
        <DataTable className={styles.table}>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Termination</TableCell>
              <TableCell scope="col">Barrier</TableCell>
              <TableCell scope="col">now</TableCell>
              <TableCell scope="col">then</TableCell>
              <TableCell scope="col">Planned</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {others.map((c) => {
              const [cable = '', end = 'A'] = c.tag.split('/');
              return (
                <TableRow key={c.tag}>
                  <TableCell component="th" scope="row">
                    <Link href={stationPath(job, cable, end === 'B' ? 'B' : 'A', 'choose')}>{c.tag}</Link>
                  </TableCell>
                  <TableCell>
                    {c.before.barrier === c.after.barrier
                      ? c.after.barrier
                      : `${c.before.barrier} → ${c.after.barrier}`}
                  </TableCell>
                  <TableCell className={styles.was}>
                    {c.before.answer === c.after.answer ? 'the same' : c.before.answer}
                  </TableCell>
                  <TableCell>{c.after.answer}</TableCell>
                  <TableCell className={c.planFate === 'lost' ? styles.lost : undefined}>
                    {c.size === null ? '–' : c.planFate === 'lost' ? `${c.size}: not any more` : c.size}
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </DataTable>
      )}
      {same.length === 0 ? null : (
        <p className={styles.quiet}>
          Plans to be restamped with the same answer: {same.map((c) => c.tag).join(', ')}.
        </p>
      )}
    </>
  );
}

/** Tables that a profile carries: which cable a place accepts, which metals are refused. */
function Tables({ profile }: { readonly profile: CodeProfile }) {
  return (
    <fieldset className={styles.group}>
      <legend>Tables</legend>
      {profile.cableListing.rows.length === 0 ? (
        <p className={styles.quiet}>No place asks for a listing of the cable.</p>
      ) : (
        <ul className={styles.rows}>
          {profile.cableListing.rows.map((r) => (
            <li key={`${r.hazardClass} ${r.division}`}>
              class {r.hazardClass}, division {r.division}: cable listed for {r.accepts.join(', ')}
            </li>
          ))}
        </ul>
      )}
      <p className={styles.quiet}>{profile.cableListing.source}</p>
      <ul className={styles.rows}>
        {profile.corrosion.pairs.map((p) => (
          <li key={`${p.gland} ${p.against} ${p.material}`}>
            {p.gland} gland on {p.against === 'wall' ? 'a wall' : 'armour'} of {p.material}
            {p.where === 'wet' ? ', in the wet' : ''}: refused
          </li>
        ))}
      </ul>
      <p className={styles.quiet}>{profile.corrosion.source}</p>
    </fieldset>
  );
}
