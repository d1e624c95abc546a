'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Choice } from '../kit-of-parts/Choice';
import { PlainList } from '../kit-of-parts/PlainList';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { frameParts, placesOf, type FramePlan, type FrameRequest } from '@/core/frame-packing';
import { fillOf, type CrossingPlanView } from '@/core/crossing';
import { refWords } from './words';

const sheetWords = ({ sheet }: FrameRequest): string =>
  sheet ? `${sheet.code} revision ${sheet.revision}` : '–';

/** The plan on the screen beside an earlier one: what they cost, what they ask for, and which cables stand elsewhere. */
export function ComparePanel({
  request,
  plan,
  plans,
}: {
  readonly request: FrameRequest;
  readonly plan: FramePlan;
  readonly plans: readonly CrossingPlanView<'frames'>[];
}) {
  const [chosen, setChosen] = useState(plans[0]?.id ?? 0);
  const other = plans.find((p) => p.id === chosen);
  if (!other)
    return (
      <Typography variant="lead">No plan has been taken yet: there is nothing to compare with.</Typography>
    );
  const at = (p: FramePlan) =>
    new Map(
      placesOf(p.frames).flatMap(({ ref, place }) =>
        place.cable ? [[place.cable, refWords(ref)] as const] : [],
      ),
    );
  const [here, there] = [at(plan), at(other.plan)];
  const tags = [...new Set([...here.keys(), ...there.keys()])].sort();
  const moved = tags.filter((t) => here.get(t) !== there.get(t));
  const count = (r: FrameRequest, p: FramePlan) => {
    const fill = fillOf(r.modules, p);
    return {
      fill,
      parts: frameParts(r, p)
        .filter((x) => x.what === 'module')
        .reduce((n, x) => n + x.quantity, 0),
    };
  };
  const [a, b] = [count(other.request, other.plan), count(request, plan)];
  const lines: readonly (readonly [string, string | number, string | number])[] = [
    ['Frames', other.plan.frames.map((f) => f.frame).join(', '), plan.frames.map((f) => f.frame).join(', ')],
    ['Cost of frames', other.plan.cost ?? '–', plan.cost ?? '–'],
    ['Measure again', other.plan.remeasure?.places ?? '–', plan.remeasure?.places ?? '–'],
    ['Places taken', `${a.fill.taken} of ${a.fill.places}`, `${b.fill.taken} of ${b.fill.places}`],
    ['Modules', a.parts, b.parts],
    ['Cables out to reach spares', other.plan.order?.toSpares ?? '–', plan.order?.toSpares ?? '–'],
    ['Sheet', sheetWords(other.request), sheetWords(request)],
    ['Crossings in front', other.plan.crossings.front, plan.crossings.front],
    ['Crossings at the back', other.plan.crossings.back, plan.crossings.back],
  ];
  return (
    <Box sx={{ mt: 2 }}>
      <Choice
        label="Compare with"
        value={String(chosen)}
        options={plans.map((p) => [
          String(p.id),
          `${p.kind === 'asBuilt' ? 'as built' : 'plan'} of ${p.madeAt.slice(0, 16).replace('T', ' ')}, ${p.actor}${p.note ? `: ${p.note}` : ''}`,
        ])}
        onChange={(id) => setChosen(Number(id))}
        width="100%"
      />
      <DataTable sx={{ mt: 1.25 }}>
        <TableHead>
          <TableRow>
            <TableCell />
            <TableCell scope="col">then</TableCell>
            <TableCell scope="col">on the screen</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {lines.map(([title, x, y]) => (
            <TableRow key={title} sx={x === y ? {} : { '& td': { fontWeight: 650 } }}>
              <TableCell component="th" scope="row">
                {title}
              </TableCell>
              <TableCell>{x}</TableCell>
              <TableCell>{y}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
      <Typography sx={{ my: 1 }}>
        {moved.length === 0
          ? 'Every cable stands in the same row.'
          : `${moved.length} cables stand in another row:`}
      </Typography>
      <PlainList ruled>
        {moved.map((t) => (
          <li key={t}>
            <b>{t}</b> {there.get(t) ?? 'not in it'} → {here.get(t) ?? 'not in it'}
          </li>
        ))}
      </PlainList>
    </Box>
  );
}
