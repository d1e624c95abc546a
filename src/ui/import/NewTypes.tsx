'use client';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { ARMOUR_KINDS, ARMOUR_NAMES, type ArmourKind } from '@/core/catalogue';
import { typeLacks, type TypeDraft } from '@/core/spreadsheet';
import { Caution } from '../kit-of-parts/Caution';
import { Choice } from '../kit-of-parts/Choice';
import { DataTable } from '../kit-of-parts/DataTable';
import { Section } from '../kit-of-parts/Section';
import { TextField } from '../kit-of-parts/TextField';
import { Tick } from '../kit-of-parts/Tick';
import type { SheetImport } from './use-sheet-import';

const ARMOURS: readonly (readonly [ArmourKind | '', string])[] = [
  ['', 'not said'],
  ...ARMOUR_KINDS.map((kind) => [kind, ARMOUR_NAMES[kind]] as const),
];
const FACTS = [
  ['jacketed', 'jacket over the armour'],
  ['innerSheath', 'bedding under it'],
  ['effectivelyFilled', 'filled, no gas path'],
  ['coldFlow', 'sheath creeps'],
  ['screened', 'screened'],
] as const;

/** Cable types that the list speaks of and the job has not: what the text tells, and what somebody has to say. */
export function NewTypes({ sheet }: { readonly sheet: SheetImport }) {
  const { drafts, setDraft, looked, setLooked } = sheet;
  if (drafts.length === 0) return null;
  const lacking = drafts.filter((d) => typeLacks(d) !== null).length;
  return (
    <Section title={`${drafts.length} new cable ${drafts.length === 1 ? 'type' : 'types'}`}>
      <Typography variant="lead">
        Read from the words of the list. What these do not say stands as the side that refuses: set it right
        by the cable in hand or its datasheet. Diameters come from measuring.
      </Typography>
      <DataTable label="New cable types" sx={{ '& td, & th': { pt: 1.5 } }}>
        <TableHead>
          <TableRow>
            <TableCell>In the list</TableCell>
            <TableCell>Cores</TableCell>
            <TableCell>mm²</TableCell>
            <TableCell>Armour</TableCell>
            <TableCell>Built</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {drafts.map((draft) => (
            <Draft key={draft.code} draft={draft} onChange={setDraft} />
          ))}
        </TableBody>
      </DataTable>
      {lacking > 0 ? (
        <Caution>
          {lacking} {lacking === 1 ? 'type is' : 'types are'} not told by the list: cables of{' '}
          {lacking === 1 ? 'it' : 'them'} stay out until somebody says.
        </Caution>
      ) : null}
      <Tick
        label="I have looked at these types against the cables or their datasheets"
        checked={looked}
        onChange={setLooked}
      />
    </Section>
  );
}

function Draft({
  draft,
  onChange,
}: {
  readonly draft: TypeDraft;
  readonly onChange: (draft: TypeDraft) => void;
}) {
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        {draft.code}
      </TableCell>
      <TableCell>
        <TextField
          label="Cores"
          value={draft.cores}
          onChange={(e) => onChange({ ...draft, cores: e.target.value })}
          slotProps={{ htmlInput: { inputMode: 'numeric', 'aria-label': `Cores of ${draft.code}` } }}
          sx={{ width: 72 }}
        />
      </TableCell>
      <TableCell>
        <TextField
          label="mm²"
          value={draft.section}
          onChange={(e) => onChange({ ...draft, section: e.target.value })}
          slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-label': `Section of ${draft.code}` } }}
          sx={{ width: 84 }}
        />
      </TableCell>
      <TableCell>
        <Choice
          label={`Armour of ${draft.code}`}
          options={ARMOURS}
          value={draft.armour}
          onChange={(armour) => onChange({ ...draft, armour })}
          width={150}
        />
      </TableCell>
      <TableCell>
        {FACTS.map(([key, words]) => (
          <Tick
            key={key}
            label={words}
            checked={draft[key]}
            onChange={(yes) => onChange({ ...draft, [key]: yes })}
          />
        ))}
      </TableCell>
    </TableRow>
  );
}
