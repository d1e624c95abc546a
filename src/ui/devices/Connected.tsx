'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { InstrumentKind, InstrumentPort, Shown } from '@/core/instrument';
import { RadioPlaceFields } from './RadioPlaceFields';
import { openRadio, radioOf, radioPortOf, SENSED_TEMPERATURE, type RadioPlace } from './radio-port';
import { openPort, portOf, serialOf } from './serial-port';

interface Props {
  readonly kind: InstrumentKind;
  readonly onShown: (shown: Shown) => void;
}

/** An instrument that is open: its port, which tells when it has gone. */
type Opened = (ended: (why: string | null) => void) => InstrumentPort;

const never = () => () => undefined;
const serialPorts = () => serialOf(navigator);
const radios = () => radioOf(navigator);
/** On the server nobody knows yet. */
const nothing = () => null;

/** Connects an instrument that sends its figures over a cable or by radio. Where the browser has neither it says so: one that types works everywhere. */
export function Connected({ kind, onShown }: Props) {
  const [opened, setOpened] = useState<{ readonly port: Opened } | null>(null);
  const [asksPlace, setAsksPlace] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const latest = useRef(onShown);
  useEffect(() => {
    latest.current = onShown;
  });
  useEffect(() => {
    if (opened === null) return undefined;
    return opened
      .port((why) => {
        setSaid(why === null ? 'It has been taken off.' : `It has gone: ${why}.`);
        setOpened(null);
      })
      .listen((shown) => {
        if (shown.ok) {
          setSaid(null);
          latest.current(shown.value);
        } else setSaid(`What it sent ${shown.problems[0]?.message ?? 'cannot be read'}.`);
      });
  }, [opened]);
  const serial = useSyncExternalStore(never, serialPorts, nothing);
  const radio = useSyncExternalStore(never, radios, nothing);
  if (serial === null && radio === null)
    return (
      <Typography variant="quiet" color="text.secondary">
        This browser opens neither cables nor radio: type, or use an instrument that types.
      </Typography>
    );
  const connect = async (open: () => Promise<Opened | null>) => {
    try {
      const port = await open();
      setOpened(port === null ? null : { port });
      setSaid(null);
    } catch (error) {
      setSaid(`It does not open: ${error instanceof Error ? error.message : 'no answer'}.`);
    }
  };
  const byCable = async (from: NonNullable<typeof serial>): Promise<Opened | null> => {
    const port = await openPort(from);
    return port === null ? null : (ended) => portOf(port, kind, ended);
  };
  const byRadio = async (from: NonNullable<typeof radio>, place: RadioPlace): Promise<Opened | null> => {
    const link = await openRadio(from, place);
    return link === null ? null : (ended) => radioPortOf(link, kind, ended);
  };
  return (
    <>
      {opened === null ? (
        <>
          {serial === null ? null : (
            <Button variant="outlined" onClick={() => void connect(() => byCable(serial))}>
              Connect one by cable
            </Button>
          )}
          {radio === null ? null : (
            <Button
              variant="outlined"
              aria-expanded={kind === 'thermometer' ? undefined : asksPlace}
              onClick={() =>
                kind === 'thermometer'
                  ? void connect(() => byRadio(radio, SENSED_TEMPERATURE))
                  : setAsksPlace(!asksPlace)
              }
            >
              Connect one by radio
            </Button>
          )}
        </>
      ) : (
        <Button variant="outlined" onClick={() => setOpened(null)}>
          Take it off
        </Button>
      )}
      <span role="status">{said ?? (opened === null ? '' : 'Listening.')}</span>
      {asksPlace && opened === null && radio !== null ? (
        <RadioPlaceFields onPlace={(place) => void connect(() => byRadio(radio, place))} />
      ) : null}
    </>
  );
}
