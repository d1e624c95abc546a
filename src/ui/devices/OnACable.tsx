'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { InstrumentKind, Shown } from '@/core/instrument';
import { openPort, portOf, serialOf, type SerialPortLike } from './serial-port';

interface Props {
  readonly kind: InstrumentKind;
  readonly onShown: (shown: Shown) => void;
}

const never = () => () => undefined;
const ports = () => serialOf(navigator);
/** On the server nobody knows yet. */
const noPorts = () => null;

/** Connects an instrument that sends its figures over a cable. Where the browser has no ports it says so: one that types works everywhere. */
export function OnACable({ kind, onShown }: Props) {
  const [port, setPort] = useState<SerialPortLike | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const latest = useRef(onShown);
  useEffect(() => {
    latest.current = onShown;
  });
  useEffect(() => {
    if (port === null) return undefined;
    const stop = portOf(port, kind, (why) => {
      setSaid(why === null ? 'It has been taken off.' : `It has gone: ${why}.`);
      setPort(null);
    }).listen((shown) => {
      if (shown.ok) {
        setSaid(null);
        latest.current(shown.value);
      } else setSaid(`What it sent ${shown.problems[0]?.message ?? 'cannot be read'}.`);
    });
    return stop;
  }, [port, kind]);
  const serial = useSyncExternalStore(never, ports, noPorts);
  if (serial === null)
    return (
      <Typography variant="quiet" color="text.secondary">
        This browser opens no cables: type, or use an instrument that types.
      </Typography>
    );
  const connect = async () => {
    try {
      setPort(await openPort(serial));
      setSaid(null);
    } catch (error) {
      setSaid(`It does not open: ${error instanceof Error ? error.message : 'no answer'}.`);
    }
  };
  return (
    <>
      <Button variant="outlined" onClick={() => (port === null ? void connect() : setPort(null))}>
        {port === null ? 'Connect one by cable' : 'Take it off'}
      </Button>
      <span role="status">{said ?? (port === null ? '' : 'Listening.')}</span>
    </>
  );
}
