'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { NutMark } from '../verdict/NutMark';
import { Caution } from './Caution';
import { DataTable } from './DataTable';
import { Keypad } from './Keypad';
import { NumberFields } from './NumberFields';
import { PadField } from './PadField';
import { PickField } from './PickField';
import { Problems } from './Problems';
import { Segments } from './Segments';

const VERDICTS = ['fits', 'marginal', 'unknown', 'misfit'] as const;
const PICKS = [
  { value: 'SP-1/E1', words: 'Still pump 1, Still house · M25 × 1.5', taken: 'taken by K-101/B' },
  { value: 'SP-2/E1', words: 'Still pump 2, Still house · M32 × 1.5' },
];

function Parts() {
  const [text, setText] = useState('');
  const [look, setLook] = useState<'ranges' | 'table'>('ranges');
  const [numbers, setNumbers] = useState({ force: '36', arm: '240' });
  return (
    <Box sx={{ display: 'grid', gap: 3, p: 3, background: 'var(--ac-ground)', color: 'var(--ac-ink)' }}>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="contained" color="secondary">
          Take AY3-32
        </Button>
        <Button variant="contained">Plan again</Button>
        <Button variant="outlined">Import</Button>
        <Button variant="text">Undo</Button>
        <Button variant="outlined" size="small">
          CSV
        </Button>
        <Button variant="outlined" disabled>
          Not now
        </Button>
      </Box>
      <Segments
        label="Look at"
        options={[
          ['ranges', 'Ranges'],
          ['table', 'Decision table'],
        ]}
        value={look}
        onChange={setLook}
      />
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField
          label="New cable tag"
          size="small"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <TextField label="Cable type" size="small" error helperText="is not a cable type of this job" />
        <PickField label="End A: box/entry" name="a" picks={PICKS} value={text} onChange={setText} />
        <NumberFields
          fields={[
            { key: 'force', name: 'force', label: 'Torque', unit: 'N·m' },
            { key: 'arm', name: 'arm', label: 'Arm', unit: 'mm' },
          ]}
          values={numbers}
          onChange={setNumbers}
        />
      </Box>
      <Box data-bench="" sx={{ display: 'grid', gap: 2, maxWidth: 320 }}>
        <PadField
          label="Sheath off, as measured"
          name="l"
          unit="mm"
          value={text}
          onChange={setText}
          help="414–416 mm asked for"
        />
        <Keypad kind="temperature" value={text} onChange={setText} />
      </Box>
      <Box sx={{ display: 'grid', gap: 1 }}>
        <Caution>Isolated, locked and proved dead before the box is opened.</Caution>
        <Caution tone="hold">It stands still: too cold.</Caution>
        <Caution tone="marginal">Provisional: outer sheath is a datasheet value.</Caution>
        <Problems problems={[{ path: 'tag', message: 'a tag holds no slash' }]} />
      </Box>
      <DataTable label="Verdicts">
        <TableHead>
          <TableRow>
            <TableCell>Verdict</TableCell>
            <TableCell>Mark</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {VERDICTS.map((verdict) => (
            <TableRow key={verdict}>
              <TableCell component="th" scope="row">
                {verdict}
              </TableCell>
              <TableCell>
                <NutMark verdict={verdict} />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
    </Box>
  );
}

/** All parts, by day and by night. */
export function KitOfParts() {
  return (
    <Box component="main" sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', overflow: 'auto' }}>
      <div data-light="">
        <Parts />
      </div>
      <div data-dark="">
        <Parts />
      </div>
    </Box>
  );
}
