import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StubOffer } from '@/core/crossing';
import { refuse, type Problem } from '@/core/kernel';
import { readNumber } from '../../common/read-number';
import { Acts } from '../../kit-of-parts/Acts';
import { Choice } from '../../kit-of-parts/Choice';
import { Problems } from '../../kit-of-parts/Problems';
import { Remove } from '../../kit-of-parts/Remove';
import { TextField } from '../../kit-of-parts/TextField';

export interface Asked {
  readonly offers: readonly StubOffer[];
  readonly apart: readonly (readonly [string, string])[];
  readonly spareShare: number;
}

interface Typed {
  readonly id: string;
  readonly bore: string;
  readonly cost: string;
  readonly available: string;
}

const BARE: Typed = { id: '', bore: '', cost: '', available: '' };

interface Props {
  readonly circuits: readonly string[];
  readonly busy: boolean;
  readonly onAsk: (asked: Asked) => void;
}

const COLUMNS = [
  ['id', 'Stub', 110],
  ['bore', 'Bore at the smallest, mm', 190],
  ['cost', 'Cost', 90],
  ['available', 'How many', 100],
] as const;

/** What is typed as offers; null with why where it is none. */
function offersIn(rows: readonly Typed[]): { readonly offers: StubOffer[]; readonly problems: Problem[] } {
  const problems: Problem[] = [];
  const offers = rows.map((row, i): StubOffer => {
    const [bore, cost] = [readNumber(row.bore), readNumber(row.cost)];
    const available = row.available.trim() === '' ? undefined : readNumber(row.available);
    const wrong = (what: string) =>
      problems.push({ path: `stubs[${i}]`, message: `Stub ${i + 1}: ${what}`, placed: true });
    if (row.id.trim() === '') wrong('needs a name');
    if (!(bore > 0)) wrong('its bore is no length');
    if (!(cost >= 0)) wrong('its cost is no number');
    if (available !== undefined && !(Number.isInteger(available) && available >= 0))
      wrong('how many there are is no whole number');
    return { id: row.id.trim(), bore, cost, ...(available === undefined ? {} : { available }) };
  });
  return { offers, problems };
}

/** Stubs on offer, circuits that lie in none together, and what stays free. */
export function StubOffers({ circuits, busy, onAsk }: Props) {
  const [rows, setRows] = useState<readonly Typed[]>([
    { id: 'S-80', bore: '78', cost: '60', available: '' },
    { id: 'S-100', bore: '98', cost: '90', available: '' },
  ]);
  const [apart, setApart] = useState<readonly (readonly [string, string])[]>([]);
  const [spare, setSpare] = useState('20');
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const set = (at: number, change: Partial<Typed>) =>
    setRows(rows.map((r, i) => (i === at ? { ...r, ...change } : r)));
  const ask = () => {
    const { offers, problems: wrong } = offersIn(rows);
    const share = readNumber(spare) / 100;
    const all =
      share >= 0 && share <= 1
        ? wrong
        : [...wrong, ...refuse('', 'What stays free is no share of 0 to 100 %').problems];
    setProblems(all);
    if (all.length === 0) onAsk({ offers, apart, spareShare: share });
  };
  return (
    <Box role="group" aria-label="Stubs on offer" sx={{ my: 1 }}>
      {rows.map((row, i) => (
        <Acts key={i} label={`Stub ${i + 1}`}>
          {COLUMNS.map(([name, label, width]) => (
            <TextField
              key={name}
              label={label}
              value={row[name]}
              onChange={(e) => set(i, { [name]: e.target.value })}
              placeholder={name === 'available' ? 'any' : ''}
              slotProps={{ htmlInput: { maxLength: 20, inputMode: name === 'id' ? 'text' : 'decimal' } }}
              sx={{ width }}
            />
          ))}
          <Remove label={`take stub ${i + 1} off`} onClick={() => setRows(rows.filter((_, k) => k !== i))} />
        </Acts>
      ))}
      <Acts>
        <Button size="small" disabled={rows.length >= 20} onClick={() => setRows([...rows, BARE])}>
          Another stub
        </Button>
        {circuits.length > 1 ? (
          <Button
            size="small"
            disabled={apart.length >= 20}
            onClick={() => setApart([...apart, [circuits[0] ?? '', circuits[1] ?? '']])}
          >
            Keep two circuits apart
          </Button>
        ) : null}
        <TextField
          label="Stays free of each, %"
          value={spare}
          onChange={(e) => setSpare(e.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal', maxLength: 5 } }}
          sx={{ width: 170 }}
        />
      </Acts>
      {apart.map(([a, b], i) => (
        <Acts key={i} label={`Apart ${i + 1}`}>
          {[a, b].map((value, k) => (
            <Choice
              key={k}
              label={k === 0 ? 'circuit' : 'other circuit'}
              value={value}
              options={circuits.map((c) => [c, c] as const)}
              onChange={(next) =>
                setApart(
                  apart.map((pair, j) => (j === i ? (k === 0 ? [next, pair[1]] : [pair[0], next]) : pair)),
                )
              }
            />
          ))}
          <span>in no stub together</span>
          <Remove
            label={`leave rule ${i + 1} out`}
            onClick={() => setApart(apart.filter((_, j) => j !== i))}
          />
        </Acts>
      ))}
      <Problems problems={problems} />
      <Button variant="contained" color="secondary" disabled={busy || rows.length === 0} onClick={ask}>
        Find the stubs
      </Button>
    </Box>
  );
}
