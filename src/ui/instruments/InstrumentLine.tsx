'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { InstrumentCheck } from '@/core/instrument';
import { capital } from '@/core/kernel';
import type { InstrumentView } from '@/core/termination-view';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { Folded } from '../kit-of-parts/Folded';
import { Link } from '../kit-of-parts/Link';
import { PlainList } from '../kit-of-parts/PlainList';
import { Problems } from '../kit-of-parts/Problems';
import { For } from '../shell/may';
import { useRun } from '../termination/use-run';
import { NutMark } from '../verdict/NutMark';
import { AddCheck } from './AddCheck';
import { countsShort, kindWords } from './instrument-words';

interface Props {
  readonly job: string;
  readonly row: InstrumentView;
}

/** Where a use of an instrument is looked at. */
function pathOfUse(job: string, { kind, subject }: InstrumentView['openAgain'][number]): string {
  const base = `/job/${encodeURIComponent(job)}`;
  if (kind === 'crossing')
    return `${base}/crossings/${encodeURIComponent(subject.replace(/^crossing /, ''))}/record`;
  const cut = subject.lastIndexOf('/');
  return cut < 0
    ? `${base}/cables/${encodeURIComponent(subject)}`
    : `${base}/t/${encodeURIComponent(subject.slice(0, cut))}/${subject.slice(cut + 1)}/${kind === 'reading' ? 'measure' : 'prove'}`;
}

/** One instrument: what it is worth today, its checks, and what is open again because of it. */
export function InstrumentLine({ job, row }: Props) {
  const { instrument, checks, good, words, openAgain, version } = row;
  const [checking, setChecking] = useState(false);
  const send = useSend();
  const { run, busy, problems } = useRun();
  const add = async (check: InstrumentCheck) => {
    const done = await run(() => send('addInstrumentCheck', job, instrument.code, check), 'Kept.');
    if (done.ok) setChecking(false);
  };
  return (
    <Box
      component="section"
      aria-label={instrument.code}
      sx={{ py: 1.5, borderTop: '2px solid', borderColor: 'divider' }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '6px 16px' }}>
        <NutMark verdict={good ? 'fits' : 'misfit'} size={22} />
        <Box sx={{ flex: '1 1 320px', minWidth: 0 }}>
          <Typography variant="h3">{instrument.code}</Typography>
          <Typography variant="quiet" color="text.secondary" component="div">
            {[
              kindWords(instrument.kind),
              instrument.uncertainty,
              countsShort(instrument.uncertainty),
              instrument.holder,
            ]
              .filter(Boolean)
              .join(' · ')}
          </Typography>
          <Typography sx={good ? {} : { color: 'error.main', fontWeight: 600 }}>{capital(words)}.</Typography>
        </Box>
        <For what="addInstrumentCheck">
          <Acts tight>
            <Button
              variant="outlined"
              size="small"
              aria-expanded={checking}
              aria-label={`Enter a check of ${instrument.code}`}
              onClick={() => setChecking(!checking)}
            >
              Enter a check
            </Button>
            <Button
              size="small"
              disabled={busy}
              aria-label={`Take out ${instrument.code}`}
              onClick={() =>
                void run(
                  () => send('takeOutInstrument', job, instrument.code, version),
                  `${instrument.code} is out of the register.`,
                )
              }
            >
              Take out
            </Button>
          </Acts>
        </For>
      </Box>
      <Problems problems={problems} />
      {checking ? <AddCheck code={instrument.code} busy={busy} onAdd={(check) => void add(check)} /> : null}
      <Box sx={{ pl: '38px' }}>
        {openAgain.length === 0 ? null : (
          <Folded within title={`${openAgain.length} ${openAgain.length === 1 ? 'use' : 'uses'} open again`}>
            <PlainList ruled label={`Open again because of ${instrument.code}`}>
              {openAgain.map((u, i) => (
                <li key={`${i} ${u.subject}`}>
                  <Link href={pathOfUse(job, u)}>{u.subject}</Link>
                  {u.kind === 'reading' ? ', a reading' : ', at the bench'}, {u.at.slice(0, 10)}
                </li>
              ))}
            </PlainList>
          </Folded>
        )}
        {checks.length === 0 ? null : (
          <Folded within title={`${checks.length} ${checks.length === 1 ? 'check' : 'checks'}`}>
            <PlainList ruled label={`Checks of ${instrument.code}`}>
              {[...checks].reverse().map((c) => (
                <li key={c.at}>
                  {c.on}: {c.good ? `good until ${c.until}` : 'not good'}
                  {c.certificate === '' ? '' : `, certificate ${c.certificate}`}, entered by {c.actor}
                </li>
              ))}
            </PlainList>
          </Folded>
        )}
      </Box>
    </Box>
  );
}
