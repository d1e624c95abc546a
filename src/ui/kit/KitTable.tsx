import Link from '@mui/material/Link';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { KIND_WORDS } from '@/core/kit';
import type { KitView } from '@/core/termination-view';
import { DataTable } from '../kit-of-parts/DataTable';
import { Hint } from '../kit-of-parts/Hint';

type Line = KitView['kit']['lines'][number];

interface Props {
  readonly lines: readonly Line[];
  /** Number of the area that is looked at; −1 for all. */
  readonly area: number;
  readonly withStock: boolean;
}

/** More ends than these are said by their number. */
const SHOWN = 4;

/** Each part with how many are needed, spare and short, and for which ends. */
export function KitTable({ lines, area, withStock }: Props) {
  const heads = [area < 0 ? 'Needed' : 'Here', 'Spare', 'Total', ...(withStock ? ['Stock', 'Short'] : [])];
  return (
    <DataTable label="Parts" sx={{ width: '100%', '& tbody th': { whiteSpace: 'nowrap' } }}>
      <TableHead>
        <TableRow>
          <TableCell scope="col">Part</TableCell>
          <TableCell scope="col">What</TableCell>
          {heads.map((head) => (
            <TableCell key={head} scope="col" align="right">
              {head}
            </TableCell>
          ))}
          <TableCell scope="col">For</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {lines.map((line, i) => (
          <Row
            key={line.part}
            line={line}
            area={area}
            withStock={withStock}
            first={lines[i - 1]?.kind !== line.kind}
          />
        ))}
      </TableBody>
    </DataTable>
  );
}

interface RowProps extends Pick<Props, 'area' | 'withStock'> {
  readonly line: Line;
  /** Of its kind. */
  readonly first: boolean;
}

const KIND_BEGINS = { '& > *': { borderTop: '2px solid', borderTopColor: 'divider' } } as const;

function Row({ line: l, area, withStock, first }: RowProps) {
  const short = l.short ?? 0;
  return (
    <TableRow sx={first ? KIND_BEGINS : {}}>
      <TableCell component="th" scope="row">
        {l.part}
      </TableCell>
      <TableCell>
        {l.name}
        {l.kind === 'gland' || l.kind === 'accessory' ? '' : ` (${KIND_WORDS[l.kind]})`}
      </TableCell>
      <TableCell align="right">{area < 0 ? l.needed : l.byArea[area]}</TableCell>
      <TableCell align="right">{l.spare}</TableCell>
      <TableCell align="right">
        <b>{l.total}</b>
      </TableCell>
      {withStock ? (
        <>
          <TableCell align="right">{l.stock}</TableCell>
          <TableCell align="right" sx={short > 0 ? { color: 'error.main', fontWeight: 700 } : {}}>
            {short === 0 ? '–' : short}
          </TableCell>
        </>
      ) : null}
      <TableCell sx={{ fontSize: 13, color: 'text.secondary' }}>
        {l.users.slice(0, SHOWN).join(', ')}
        {l.users.length > SHOWN ? (
          <>
            {' and '}
            <Hint text={l.users.slice(SHOWN).join(', ')}>
              <Link component="button" type="button" sx={{ verticalAlign: 'baseline' }}>
                {l.users.length - SHOWN} more
              </Link>
            </Hint>
          </>
        ) : null}
      </TableCell>
    </TableRow>
  );
}
