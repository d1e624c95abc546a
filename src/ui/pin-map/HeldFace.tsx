'use client';
import Box from '@mui/material/Box';
import { useState } from 'react';
import { faceDrawing, type Face, type JointHalf, type PinsPlan } from '@/core/pin-map';
import { DrawingSvg } from '../drawing/DrawingSvg';
import { Segments } from '../kit-of-parts/Segments';

/** What is in the hand, and from which side it is looked at. */
const HELD: readonly (readonly [Face, string])[] = [
  ['pinsFront', 'Pins, front'],
  ['pinsBack', 'Pins, back'],
  ['socketsFront', 'Sockets, front'],
  ['socketsBack', 'Sockets, back'],
];

interface Props {
  readonly pins: PinsPlan;
  /** Which half of a joint is in the hand; sockets where nobody says. */
  readonly half: JointHalf | undefined;
}

/** The pin map as it lies on what the fitter holds: where the cores come in, unless another side is picked. */
export function HeldFace({ pins, half }: Props) {
  const [face, setFace] = useState<Face>(half === 'pins' ? 'pinsBack' : 'socketsBack');
  return (
    <Box>
      <Segments label="What you hold" options={HELD} value={face} onChange={setFace} />
      <Box sx={{ maxWidth: 260, mt: 1 }}>
        <DrawingSvg drawing={faceDrawing(pins, face, 260)} />
      </Box>
    </Box>
  );
}
