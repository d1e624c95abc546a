import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { METHOD_WORDS, QUANTITY_WORDS } from '@/core/cable-measurement';
import { faultWords } from '@/core/record';
import { RelativeTime } from '../common/RelativeTime';
import type { StationProps } from '../termination/station-props';
import { DossierActs } from '../records/DossierActs';
import { LabelSection } from '../labels/LabelSection';
import { Reopen } from './Reopen';
import { RECORD_TABLE, RecordOf } from './RecordOf';
import { Timeline } from './Timeline';
import { TestsSection } from './tests/TestsSection';

/** The record of this end: what was measured with what, and who did what when. */
export function ProveStation({ view }: StationProps) {
  const signed = view.signedBy !== null;
  return (
    <>
      {/* What is still to be done stands first; of an end that is signed, its record. */}
      {signed ? null : <TestsSection view={view} />}
      <RecordOf
        job={view.job.slug}
        events={view.events}
        faults={view.chainFaults.map(faultWords)}
        signedBy={view.signedBy}
        titles={new Map(view.steps.map((s) => [s.id, s.title]))}
        formerNames={view.formerNames}
        begins="The record begins at the bench, with the first confirmed step."
        signing={
          view.job.secondPerson ? 'This job asks for a signature by another person than the fitter.' : ''
        }
      />
      <Timeline view={view} />
      <Reopen view={view} />
      <DossierActs job={view.job.slug} of="end" name={view.cable} end={view.end} />
      <LabelSection view={view} />
      <Readings view={view} />
      {signed ? <TestsSection view={view} /> : null}
    </>
  );
}

/** The readings that the choice stands on, each with its instrument. */
function Readings({ view }: Pick<StationProps, 'view'>) {
  if (view.readings.length === 0) return null;
  return (
    <DataTable sx={RECORD_TABLE} label="Readings that stand">
      <TableHead>
        <TableRow>
          <TableCell>Reading</TableCell>
          <TableCell>As read</TableCell>
          <TableCell>Instrument</TableCell>
          <TableCell>Who</TableCell>
          <TableCell>When</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {view.readings.map(({ id, reading }) => (
          <TableRow key={id}>
            <TableCell>
              {QUANTITY_WORDS[reading.quantity]}, {METHOD_WORDS[reading.method]}
            </TableCell>
            <TableCell>
              {reading.text} {reading.unit}
            </TableCell>
            <TableCell>
              {reading.instrument ?? (reading.method === 'datasheet' ? 'none' : 'not said')}
            </TableCell>
            <TableCell>{reading.person ?? 'not said'}</TableCell>
            <TableCell>{reading.at ? <RelativeTime at={reading.at} /> : 'not said'}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  );
}
