'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { templateOf, writePins, type Pin, type PinsPlan } from '@/core/pin-map';
import { useTyped } from '../common/use-typed';
import { SavedField } from '../cut/LengthField';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { DataTable } from '../kit-of-parts/DataTable';
import { FileButton } from '../kit-of-parts/FileButton';
import { Problems } from '../kit-of-parts/Problems';
import { For } from '../shell/may';
import type { StationProps } from '../termination/station-props';
import { useRun } from '../termination/use-run';

/** A file of more than this is no pin map. */
const MOST_BYTES = 100_000;

interface Props extends Pick<StationProps, 'view'> {
  /** As it is planned; null where it was refused. */
  readonly pins: PinsPlan | null;
}

/** Which core goes to which position: typed in one line, out of a table, or the insert's own order where it is empty. */
export function PinsField({ view, pins }: Props) {
  const typed = useTyped(writePins(view.pins), view.versions[view.end]);
  const send = useSend();
  const { run, problems, clear } = useRun();
  const keep = (text: string, version: number) =>
    void run(() =>
      send('setPins', { job: view.job.slug, cable: view.cable, end: view.end }, version, text),
    ).then((r) => r.ok && typed.follow());
  const [tooBig, setTooBig] = useState(false);
  const read = async (file: File) => {
    setTooBig(file.size > MOST_BYTES);
    if (file.size > MOST_BYTES) return;
    keep(await file.text(), view.versions[view.end]);
  };
  return (
    <Box sx={{ mb: 1.75 }}>
      <SavedField
        what="setPins"
        name="Pins"
        label="Pin map, core by core"
        unit=""
        text={typed.text}
        placeholder={pins === null ? 'BN 1, BK 2' : writePins(pins.map)}
        width={360}
        wrong={problems.length > 0}
        onType={typed.type}
        onSave={() => (typed.dirty ? keep(typed.text, typed.version) : clear())}
        onLeave={typed.follow}
      >
        <Problems
          problems={
            tooBig ? [{ path: 'file', message: 'is larger than any pin map: 100 kB at most' }] : problems
          }
        />
      </SavedField>
      <For what="setPins">
        <Acts>
          <FileButton
            label="Pin map as CSV"
            accept=".csv,.txt,text/csv,text/plain"
            onFile={(file) => void read(file)}
          >
            Out of a table
          </FileButton>
          {view.pins.length === 0 ? null : (
            <Button variant="text" onClick={() => keep('', view.versions[view.end])}>
              Back to the insert’s own order
            </Button>
          )}
        </Acts>
      </For>
      {pins === null ? null : <PinTable pins={pins} typed={view.pins} />}
    </Box>
  );
}

/** The map as it is wanted now, whether or not it is planned yet. */
function PinTable({ pins, typed }: { readonly pins: PinsPlan; readonly typed: readonly Pin[] }) {
  const map = typed.length > 0 ? typed : templateOf(pins.positions, pins.cores);
  const coreAt = (id: string) => map.find((m) => m.position === id)?.core;
  const planned = writePins(map) === writePins(pins.map);
  return (
    <>
      <Typography variant="quiet" component="p" color="text.secondary">
        {typed.length === 0 ? 'The insert’s own order: nobody has typed another.' : 'As it was typed.'}
        {planned ? '' : ' The plan still has another: review the change at Choose.'}
      </Typography>
      <DataTable label="Pin map">
        <TableHead>
          <TableRow>
            <TableCell>Position</TableCell>
            <TableCell>For</TableCell>
            <TableCell>Core</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {pins.positions.map((p) => (
            <TableRow key={p.id}>
              <TableCell component="th" scope="row">
                {p.id}
              </TableCell>
              <TableCell>
                {p.use}
                {p.firstToMake === true ? ', makes first' : ''}
              </TableCell>
              <TableCell>{coreAt(p.id) ?? 'spare'}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
    </>
  );
}
