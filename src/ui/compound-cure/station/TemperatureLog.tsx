'use client';
import { useState } from 'react';
import { workInput } from '../../bench/use-work';
import { Problems } from '../../common/Problems';
import type { StationProps } from '../../termination/station-props';
import { useRun } from '../../termination/use-run';
import { readTemperature } from './clock-words';
import styles from './Seal.module.css';
import { useSend } from '../../data/use-send';

/** One temperature of the work into the record of a cure that runs. Enter keeps it, for instruments that type. */
export function TemperatureLog({
  view,
  large = false,
}: Pick<StationProps, 'view'> & { readonly large?: boolean }) {
  const [text, setText] = useState('');
  const send = useSend();
  const { run, busy, problems } = useRun();
  const value = readTemperature(text);
  const keep = async () => {
    if (value === null) return;
    const done = await run(
      () =>
        send(
          'work',
          { kind: 'termination', job: view.job.slug, cable: view.cable, end: view.end },
          workInput({ kind: 'temperature', tempC: value }),
        ),
      'Temperature kept',
    );
    if (done.ok) setText('');
  };
  return (
    <div className={styles.log} data-large={large ? 'yes' : undefined}>
      <label>
        Temperature of the work{' '}
        <input
          className={styles.temp}
          name="WorkTemperature"
          inputMode="decimal"
          value={text}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter') void keep();
          }}
          aria-invalid={text.trim() !== '' && value === null}
          autoComplete="off"
        />{' '}
        °C
      </label>
      <button
        type="button"
        className={styles.keep}
        onClick={() => void keep()}
        disabled={busy || value === null}
      >
        Keep
      </button>
      <Problems problems={problems} />
    </div>
  );
}
