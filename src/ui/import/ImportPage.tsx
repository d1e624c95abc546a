'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ScheduleChoices } from '@/core/termination-view';
import { Caution } from '../kit-of-parts/Caution';
import { FileButton } from '../kit-of-parts/FileButton';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { To } from '../kit-of-parts/To';
import { Way } from '../kit-of-parts/Way';
import { Columns } from './Columns';
import { ImportPreview } from './ImportPreview';
import { NewBoxes } from './NewBoxes';
import { NewTypes } from './NewTypes';
import { useSheetImport } from './use-sheet-import';

interface Props {
  readonly job: string;
  readonly choices: ScheduleChoices;
}

/** A cable list as somebody sent it: what its columns hold, what is made on the way, and every row judged before anything is written. */
export function ImportPage({ job, choices }: Props) {
  const sheet = useSheetImport(job, choices);
  const base = `/job/${encodeURIComponent(job)}`;
  return (
    <Place
      title="Take in a cable list"
      way={<Way from={[['Schedule', `${base}/schedule`]]} here="Import" />}
      lead="As the design office sent it: a workbook or CSV, with whatever headings it has, one row for each cable or one for each end. Nothing is written before you say so."
    >
      <Drop name={sheet.name} onFile={sheet.choose} />
      {sheet.busy && sheet.grid === null ? <p role="status">Reading…</p> : null}
      <Problems problems={sheet.problems} />
      {sheet.outcome ? (
        <Typography role="status" sx={{ my: 2, fontSize: 17 }}>
          <b>
            {sheet.outcome.added} added, {sheet.outcome.changed} changed, {sheet.outcome.refused} left out.
          </b>{' '}
          One undo takes all of it back, with the types and boxes that were made.{' '}
          <To href={`${base}/schedule`}>Open the schedule</To> or <To href={`${base}/board`}>the board</To>
        </Typography>
      ) : sheet.grid === null ? null : (
        <>
          {sheet.own ? (
            <Typography sx={{ my: 1.5 }}>A schedule of this program: its columns are known.</Typography>
          ) : (
            <Columns sheet={sheet} />
          )}
          <NewTypes sheet={sheet} />
          <NewBoxes sheet={sheet} />
          {sheet.unplaced > 0 ? (
            <Caution>
              {sheet.unplaced} {sheet.unplaced === 1 ? 'end names' : 'ends name'} a box and no entry: they
              come in without a place, and get one in the schedule.
            </Caution>
          ) : null}
          {sheet.shown ? (
            <ImportPreview sheet={sheet} preview={sheet.shown} />
          ) : sheet.judging ? (
            <p role="status">Judging every row…</p>
          ) : null}
        </>
      )}
    </Place>
  );
}

interface DropProps {
  readonly name: string | null;
  readonly onFile: (file: File) => void;
}

const Drop = ({ name, onFile }: DropProps) => (
  <Box
    onDragOver={(e) => e.preventDefault()}
    onDrop={(e) => {
      e.preventDefault();
      const [dropped] = e.dataTransfer.files;
      if (dropped) onFile(dropped);
    }}
    sx={{
      display: 'flex',
      flexWrap: 'wrap',
      alignItems: 'center',
      justifyContent: 'center',
      gap: 2,
      p: name === null ? 4 : 1.5,
      bgcolor: 'background.paper',
      border: '2px dashed',
      borderColor: 'text.secondary',
      borderRadius: 1,
    }}
  >
    <Typography sx={{ color: 'text.secondary' }}>{name ?? 'Drop the file here, or'}</Typography>
    <FileButton
      label="Cable list, XLSX or CSV"
      accept=".csv,.txt,.tsv,.xlsx,text/csv,application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
      onFile={onFile}
    >
      {name === null ? 'Choose a file' : 'Another file'}
    </FileButton>
  </Box>
);
