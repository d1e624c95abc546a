'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { workInput } from '../../bench/use-work';
import { useInstrument } from '../../common/use-instrument';
import { Tray } from '../../devices/Tray';
import { Problems } from '../../kit-of-parts/Problems';
import { PadField } from '../../kit-of-parts/PadField';
import type { StationProps } from '../../termination/station-props';
import { useRun } from '../../termination/use-run';
import { readTemperature } from './clock-words';
import { Acts } from '../../kit-of-parts/Acts';
import { useSend } from '../../data/use-send';

const THERMOMETER = ['thermometer'] as const;

interface Props extends Pick<StationProps, 'view'> {
  /** Who takes it, where the bench does; it is sent from here when left out. */
  readonly onKeep?: (tempC: number, instrument: string) => void;
}

/** One temperature of the work into the record of a cure that runs. Enter keeps it, for instruments that type. */
export function TemperatureLog({ view, onKeep }: Props) {
  const [text, setText] = useState('');
  const [instrument, setInstrument] = useInstrument('temperature');
  const send = useSend();
  const { run, busy, problems } = useRun();
  const value = readTemperature(text);
  const keep = async () => {
    if (value === null) return;
    if (onKeep !== undefined) {
      onKeep(value, instrument);
      setText('');
      return;
    }
    const done = await run(
      () =>
        send(
          'work',
          { kind: 'termination', job: view.job.slug, cable: view.cable, end: view.end },
          workInput({ kind: 'temperature', tempC: value, instrument }),
        ),
      'Temperature kept',
    );
    if (done.ok) setText('');
  };
  return (
    <>
      <Acts>
        <PadField
          name="WorkTemperature"
          label="Temperature of the work"
          kind="temperature"
          unit="°C"
          value={text}
          onChange={setText}
          onEnter={() => void keep()}
          error={text.trim() !== '' && value === null}
        />
        <PadField
          name="thermometer"
          label="Measured with"
          kind="code"
          maxLength={60}
          placeholder="thermometer 2"
          value={instrument}
          onChange={setInstrument}
        />
        <Button variant="outlined" size="large" onClick={() => void keep()} disabled={busy || value === null}>
          Keep
        </Button>
        <Problems problems={problems} />
      </Acts>
      <Tray
        kinds={THERMOMETER}
        onShown={({ text: shown }, name) => {
          setText(shown);
          if (name !== null) setInstrument(name);
        }}
      />
    </>
  );
}
