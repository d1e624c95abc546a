'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { TextField } from '../kit-of-parts/TextField';
import { readUuid, type RadioPlace } from './radio-port';

const [SERVICE, CHARACTERISTIC] = ['ac_radio/service', 'ac_radio/characteristic'];
const kept = (key: string): string =>
  typeof localStorage === 'undefined' ? '' : (localStorage.getItem(key) ?? '');

interface Props {
  readonly onPlace: (place: RadioPlace) => void;
}

/** Where an instrument tells its figures by radio: its own sheet says it, and this device remembers. */
export function RadioPlaceFields({ onPlace }: Props) {
  const [service, setService] = useState(() => kept(SERVICE));
  const [characteristic, setCharacteristic] = useState(() => kept(CHARACTERISTIC));
  const read = [service, characteristic].map(readUuid);
  const [at, of] = read;
  const field = (label: string, value: string, set: (text: string) => void) => (
    <TextField
      label={label}
      value={value}
      onChange={(e) => set(e.target.value)}
      error={value.trim() !== '' && readUuid(value) === null}
      slotProps={{ htmlInput: { maxLength: 60, spellCheck: false } }}
      sx={{ width: 340, maxWidth: '100%' }}
    />
  );
  const go = () => {
    if (at === undefined || at === null || of === undefined || of === null) return;
    localStorage.setItem(SERVICE, service);
    localStorage.setItem(CHARACTERISTIC, characteristic);
    onPlace({ service: at, characteristic: of, written: 'line' });
  };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', flexBasis: '100%' }}>
      {field('Service, by its sheet', service, setService)}
      {field('Characteristic, by its sheet', characteristic, setCharacteristic)}
      <Button variant="outlined" disabled={read.includes(null)} onClick={go}>
        Look for it
      </Button>
      <span>It sends each figure as a line of text.</span>
    </Box>
  );
}
