'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { KitView } from '@/core/termination-view';
import { Acts } from '../kit-of-parts/Acts';
import { Chips } from '../kit-of-parts/Chips';
import { FileButton } from '../kit-of-parts/FileButton';
import { NumberFields, type NumberField } from '../kit-of-parts/NumberFields';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { To } from '../kit-of-parts/To';
import { KitTable } from './KitTable';
import { WantedList } from './WantedList';
import { useKit, type SpareTexts } from './use-kit';

interface Props {
  readonly job: string;
  readonly first: KitView;
}

const RULE: readonly NumberField<keyof SpareTexts>[] = [
  { key: 'percent', name: 'spare-percent', label: 'Spares', unit: '%' },
  { key: 'minimum', name: 'spare-minimum', label: 'At least', unit: 'of each' },
];
const ALL = '';

function leadOf({ kit, unplanned, fitted }: KitView, stock: string | null): string {
  const short = kit.lines.filter((l) => (l.short ?? 0) > 0).length;
  const against =
    stock === null ? '.' : short === 0 ? '; nothing is short.' : `; ${short} are short against ${stock}.`;
  return [
    `${kit.lines.length} parts for what is planned, with spares${against}`,
    unplanned.length > 0
      ? `${unplanned.length} terminations and crossings are not planned and not in it.`
      : '',
    fitted.length > 0
      ? `${fitted.length} are made off or built, and signed: what they took is not counted again.`
      : '',
  ].join(' ');
}

/** What the job takes from the store: parts, spares, what is short. */
export function KitPage({ job, first }: Props) {
  const kit = useKit(job, first);
  const { view, stock, problems } = kit;
  const [area, setArea] = useState(ALL);
  const at = area === ALL ? -1 : view.kit.areas.indexOf(area);
  const lines = at < 0 ? view.kit.lines : view.kit.lines.filter((l) => (l.byArea[at] ?? 0) > 0);
  return (
    <Place title="Kit" lead={leadOf(view, stock)}>
      <Box sx={{ '@media print': { display: 'none' } }}>
        <Acts>
          <NumberFields fields={RULE} values={kit.rule} onChange={kit.setRule} />
          <FileButton
            label="Stock file, CSV with the columns part and quantity"
            accept=".csv,text/csv"
            onFile={(file) => void kit.loadStock(file)}
          >
            {stock === null ? 'Compare with a stock file' : 'Another stock file'}
          </FileButton>
          {stock === null ? null : (
            <Button variant="text" onClick={kit.leaveStock}>
              Without stock
            </Button>
          )}
          <Box sx={{ flex: 1 }} />
          <Button variant="outlined" onClick={() => void kit.download('csv')}>
            CSV
          </Button>
          <Button variant="outlined" onClick={() => void kit.download('xlsx')}>
            Spreadsheet
          </Button>
          <Button variant="outlined" onClick={() => window.print()}>
            Print
          </Button>
        </Acts>
        <Problems problems={problems} />
        <Chips
          label="Area"
          value={area}
          onChange={setArea}
          options={[[ALL, 'All areas'], ...view.kit.areas.map((name) => [name, name] as const)]}
        />
      </Box>
      {lines.length === 0 ? (
        <p>
          Nothing is planned here yet. Choose sizes one by one, or{' '}
          <To href={`/job/${encodeURIComponent(job)}/whole-job`}>for the whole job</To>.
        </p>
      ) : (
        <KitTable lines={lines} area={at} withStock={stock !== null} />
      )}
      {view.unplugged.length > 0 ? (
        <Typography variant="lead">
          No certified plug in the catalogue for: {view.unplugged.join(', ')}. These entries stay open until
          one is found.
        </Typography>
      ) : null}
      <WantedList job={job} />
    </Place>
  );
}
