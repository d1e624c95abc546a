import Box from '@mui/material/Box';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { PlugSealSheet, SealSheet, SleeveSealSheet, WrapSealSheet } from '@/core/catalogue';
import type { Sealant } from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import { Cautions } from '../kit-of-parts/Cautions';
import { DataTable } from '../kit-of-parts/DataTable';
import { Facts } from '../kit-of-parts/Facts';
import { Folded } from '../kit-of-parts/Folded';
import { To } from '../kit-of-parts/To';

const mm = (value: number): string => trimNumber(value, 2);
const range = ({ min, max }: { readonly min: number; readonly max: number }): string =>
  `${mm(min)}–${mm(max)}`;
const percent = (share: number): string => `${trimNumber(100 * share, 1)} %`;

interface Props {
  /** “Packed sleeves”. */
  readonly words: string;
  readonly sheet: SealSheet;
  /** Where the sheet in hand is typed over it. */
  readonly typeIn: string;
}

/** A sheet of soft seals in force, as it gives its figures. */
export function SealSheetPanel({ words, sheet, typeIn }: Props) {
  return (
    <Folded
      id={`seal-${sheet.code}`}
      title={`${words} ${sheet.code} revision ${sheet.sheet.revision}: ${sheet.sheet.title}`}
    >
      <Typography variant="quiet" sx={{ my: 1 }}>
        Issued {sheet.sheet.issued}. Crossings keep the revision they stand on.{' '}
        <To href={typeIn}>Type in the sheet in hand</To>
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'max-content max-content minmax(0, 460px)' },
          alignItems: 'start',
          gap: '12px 44px',
        }}
      >
        {'plugs' in sheet ? (
          <Plugs sheet={sheet} />
        ) : 'cloths' in sheet ? (
          <Wraps sheet={sheet} />
        ) : (
          <Sleeves sheet={sheet} />
        )}
      </Box>
      <Cautions cautions={sheet.cautions} />
    </Folded>
  );
}

interface ListProps {
  readonly caption: string;
  readonly heads: readonly string[];
  readonly rows: readonly (readonly [name: string, ...figures: string[]])[];
}

const List = ({ caption, heads, rows }: ListProps) => (
  <DataTable>
    <caption>{caption}</caption>
    <TableHead>
      <TableRow>
        {heads.map((h) => (
          <TableCell key={h} scope="col">
            {h}
          </TableCell>
        ))}
      </TableRow>
    </TableHead>
    <TableBody>
      {rows.map(([name, ...figures]) => (
        <TableRow key={name}>
          <TableCell component="th" scope="row">
            {name}
          </TableCell>
          {figures.map((f, i) => (
            <TableCell key={heads[i + 1]}>{f}</TableCell>
          ))}
        </TableRow>
      ))}
    </TableBody>
  </DataTable>
);

const sealantFacts = ({ id, mlPerCartridge, wasteShare, openTime }: Sealant): [string, string][] => [
  ['Sealant', `${id}, ${trimNumber(mlPerCartridge, 0)} mL in a cartridge, ${percent(wasteShare)} waste`],
  [
    'Open time',
    openTime === undefined
      ? 'the sheet is silent'
      : openTime.map((l) => `${trimNumber(l.minutes, 0)} min at ${trimNumber(l.c, 0)} °C`).join(', '),
  ],
];

const Plugs = ({ sheet }: { readonly sheet: PlugSealSheet }) => (
  <>
    <List
      caption="Plugs in two halves, mm"
      heads={['Plug', 'Bore', 'Gap round the cable', 'Length']}
      rows={sheet.plugs.map((p) => [p.id, range(p.bore), range(p.annulus), mm(p.lengthMm)])}
    />
    <Facts
      facts={[
        ['Out of square at most', `${trimNumber(sheet.maxAngleDeg, 1)}°`],
        ['Out of the middle at most', `${mm(sheet.maxOffsetMm)} mm`],
      ]}
    />
  </>
);

const Sleeves = ({ sheet }: { readonly sheet: SleeveSealSheet }) => (
  <>
    <List
      caption="Split filler sleeves, mm"
      heads={['Sleeve', 'Takes', 'Wall']}
      rows={sheet.sleeves.map((s) => [s.id, range(s.takes), mm(s.wallMm)])}
    />
    <List
      caption="Blanks and punches, mm"
      heads={['Part', 'Size']}
      rows={[
        ...sheet.fillers.map((f) => [f.id, mm(f.outerMm)] as const),
        ...(sheet.punches ?? []).map((p) => [`${p.id}, punch`, mm(p.mm)] as const),
      ]}
    />
    <Facts
      facts={[
        ...(sheet.strip
          ? [
              [
                'Strip',
                `${sheet.strip.id}, ${mm(sheet.strip.thicknessMm)} × ${mm(sheet.strip.widthMm)} mm, ${sheet.strip.layers} layers, from ${mm(sheet.strip.fromMm)} mm`,
              ] as [string, string],
            ]
          : []),
        ['Filling', `${mm(sheet.fillingMm)} mm, sealant ${mm(sheet.sealantDepthMm)} mm at each face`],
        ['Stays open at most', percent(sheet.maxOpenShare)],
        ['On while pulling from', percent(sheet.pullingShare)],
        ...sealantFacts(sheet.sealant),
      ]}
    />
  </>
);

const Wraps = ({ sheet }: { readonly sheet: WrapSealSheet }) => (
  <>
    <List
      caption="Cloths, mm"
      heads={['Cloth', 'Kind', 'Stub']}
      rows={sheet.cloths.map((c) => [c.id, c.kind, range(c.stub)])}
    />
    <List
      caption="Layers of the strip"
      heads={['Bundle up to, mm', 'Layers']}
      rows={sheet.strip.layers.map((l) => [mm(l.upTo), String(l.layers)])}
    />
    <Facts
      facts={[
        ['Strip', `${sheet.strip.id}, ${mm(sheet.strip.thicknessMm)} × ${mm(sheet.strip.widthMm)} mm`],
        [
          'Under the tie it loses',
          `${percent(sheet.strip.compression.min)} to ${percent(sheet.strip.compression.max)}`,
        ],
        ['Marks', `${mm(sheet.marks.fromStubMm)} mm from the stub, ${mm(sheet.marks.apartMm)} mm apart`],
        ['Stub stands out at least', `${mm(sheet.minStubMm)} mm`],
        ...sealantFacts(sheet.sealant),
      ]}
    />
  </>
);
