import Box from '@mui/material/Box';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { cutLengths, markText, type CutPlan, type Mark } from '@/core/cut-back';
import { formatInchFraction, trimNumber } from '@/core/units';
import { Both } from '../common/Both';
import { depthTexts, lengthTexts } from '../common/unit';
import { DataTable } from '../kit-of-parts/DataTable';
import { Workings } from '../kit-of-parts/Workings';

interface MarksProps {
  readonly cut: CutPlan;
  readonly lit: string | null;
  readonly onLight: (id: string | null) => void;
}

/** What a drawing and a table light in one another: the mark, or the layer that it belongs to. */
export const isLit = (lit: string | null, markId: string): boolean =>
  lit === `mark.${markId}` || lit === markId;
export const LIT = { bgcolor: 'var(--ac-amber-wash)' } as const;

const DATUM = {
  cableEnd: '',
  hub: 'from the hub’s edge, fitting on',
  coreEnd: 'from the end of each core',
} as const;

/** The marks in the order in which they are cut: where, how deep, with what, and what to see after it. */
export const MarksTable = ({ cut, lit, onLight }: MarksProps) => (
  <DataTable
    sx={{
      width: '100%',
      borderTop: '2px solid',
      borderColor: 'divider',
      '& tbody th': { whiteSpace: 'nowrap' },
    }}
  >
    <TableHead>
      <TableRow>
        <TableCell>In this order</TableCell>
        <TableCell align="right">From the cable end</TableCell>
        <TableCell align="right">Blade at most</TableCell>
        <TableCell>Tool, and how</TableCell>
      </TableRow>
    </TableHead>
    <TableBody>
      {cut.marks.map((mark) => (
        <TableRow
          key={mark.id}
          onPointerEnter={() => onLight(`mark.${mark.id}`)}
          onPointerLeave={() => onLight(null)}
          sx={isLit(lit, mark.id) ? LIT : {}}
        >
          <TableCell component="th" scope="row">
            {mark.title}
          </TableCell>
          <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
            <Box component="b" sx={{ fontSize: 24 }}>
              {markText(mark.fromDatumMm, cut.unit)}
            </Box>{' '}
            {cut.unit}
            <Second>
              {cut.unit === 'mm'
                ? `${formatInchFraction(mark.fromDatumMm, 32)} in`
                : lengthTexts(mark.fromDatumMm).mm}
            </Second>
            {mark.datum === 'cableEnd' ? null : <Second>{DATUM[mark.datum]}</Second>}
          </TableCell>
          <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
            <Depth mm={mark.guard.maxDepthMm} />
          </TableCell>
          <TableCell>
            <Ways mark={mark} />
          </TableCell>
        </TableRow>
      ))}
    </TableBody>
  </DataTable>
);

const Second = ({ children }: { readonly children: ReactNode }) => (
  <Typography variant="quiet" component="span" sx={{ display: 'block' }}>
    {children}
  </Typography>
);

function Depth({ mm }: { readonly mm: number | null }) {
  if (mm === null) return <>by eye</>;
  return mm === 0 ? <>do not cut</> : <Both stacked texts={depthTexts(mm)} />;
}

const Ways = ({ mark }: { readonly mark: Mark }) => (
  <>
    {mark.tools.map((t, i) => (
      <Typography key={t.tool} sx={{ fontSize: 13.5 }}>
        {i > 0 ? 'or ' : ''}
        <b>{t.tool}.</b> {t.technique}{' '}
        <Typography component="span" variant="quiet">
          {t.guard.maxDepthMm !== null && t.guard.maxDepthMm !== mark.guard.maxDepthMm
            ? `Not deeper than ${t.guard.maxDepthMm.toFixed(1)} mm. `
            : ''}
          {t.kerfMm > 0 ? `Kerf ${trimNumber(t.kerfMm, 1)} mm.` : ''}
        </Typography>
      </Typography>
    ))}
    <Typography variant="quiet" sx={{ mt: 0.5 }}>
      {mark.guard.reason}. Then: {mark.check}
    </Typography>
  </>
);

/** How the lengths came about, for the reader who checks. */
export function CutWorkings({ cut }: { readonly cut: CutPlan }) {
  const lines: readonly (readonly [string, string])[] = [
    ...cut.workings.map((w) => [w.label, `${trimNumber(w.mm, 1)} mm`] as const),
    ['armour stop to the inside of the wall', `${trimNumber(cut.stopToWallMm, 1)} mm`],
    ...(cut.stub === null
      ? []
      : [['sheath stands inside the wall by', `${trimNumber(cut.emergenceMm, 1)} mm`] as const]),
    ...cutLengths(cut).map(
      ({ name, length }) =>
        [
          `${name} may lie between`,
          `${trimNumber(length.minMm, 1)}–${trimNumber(length.maxMm, 1)} mm`,
        ] as const,
    ),
    ...cut.coreTails.map(
      (t) => [`core ${t.core}, from the sheath`, `${markText(t.mm, cut.unit)} ${cut.unit}`] as const,
    ),
  ];
  return <Workings title="How the lengths came about" lines={lines} />;
}
