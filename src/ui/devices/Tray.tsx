'use client';
import Box from '@mui/material/Box';
import { useState, type ComponentType } from 'react';
import { simulatedName, type Shown } from '@/core/instrument';
import { Folded } from '../kit-of-parts/Folded';
import { Segments } from '../kit-of-parts/Segments';
import { Connected } from './Connected';
import type { DeviceProps } from './device-props';
import { SimulatedAngleGauge } from './SimulatedAngleGauge';
import { SimulatedCaliper } from './SimulatedCaliper';
import { SimulatedThermometer } from './SimulatedThermometer';
import { SimulatedWrench } from './SimulatedWrench';

/** Instruments of the hand whose figures a field can take. */
export type HandKind = 'caliper' | 'torqueWrench' | 'thermometer' | 'angleGauge';

interface Kind {
  readonly words: string;
  readonly Device: ComponentType<DeviceProps>;
}

const KINDS: Readonly<Record<HandKind, Kind>> = {
  caliper: { words: 'Caliper', Device: SimulatedCaliper },
  torqueWrench: { words: 'Torque wrench', Device: SimulatedWrench },
  thermometer: { words: 'Thermometer', Device: SimulatedThermometer },
  angleGauge: { words: 'Angle gauge', Device: SimulatedAngleGauge },
};

interface Props {
  readonly kinds: readonly HandKind[];
  /** The figure, and with what it was read; null for one that is connected, whose name stands in its field. */
  readonly onShown: (shown: Shown, name: string | null) => void;
}

/** Where a figure can come from besides the keys: an instrument that is connected to this device, or one that ships with the product. */
export function Tray({ kinds, onShown }: Props) {
  const [picked, setPicked] = useState<HandKind | null>(null);
  const kind = kinds.find((k) => k === picked) ?? kinds[0];
  if (kind === undefined) return null;
  const { Device, words } = KINDS[kind];
  // As it goes into the record: nobody takes it for a real one.
  const name = simulatedName(words.toLocaleLowerCase('en'));
  return (
    <Folded title="Take it from an instrument">
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1.5, mt: 1 }}>
        {kinds.length > 1 ? (
          <Segments
            label="Instrument"
            options={kinds.map((k) => [k, KINDS[k].words])}
            value={kind}
            onChange={setPicked}
          />
        ) : null}
        <Connected kind={kind} onShown={(shown) => onShown(shown, null)} />
      </Box>
      <Device onShown={(shown) => onShown(shown, name)} />
    </Folded>
  );
}
