'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { ARMOUR_NAMES, CONSTRUCTION_WORDS } from '@/core/catalogue';
import { typeGaps } from '@/core/schedule';
import type { TypeView } from '@/core/termination-view';
import { useLook } from '../data/use-look';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { Empty } from '../kit-of-parts/Empty';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { useRun } from '../termination/use-run';
import { TableActs } from '../setup-table/TableActs';
import { TakeInTypes } from '../setup-table/TakeInTypes';
import { CableSectionDrawing } from './Section';
import { TypeEditor } from './TypeEditor';
import { For } from '../shell/may';

interface Props {
  readonly job: string;
  readonly first: readonly TypeView[];
}

/** The cable types of a job: how each is built, how many cables are of it, and what nobody has said yet. */
export function TypesPage({ job, first }: Props) {
  const types = useLook(['viewTypes', job]).view ?? first;
  const send = useSend();
  const { run, busy, problems } = useRun();
  const [taking, setTaking] = useState(false);
  const [editing, setEditing] = useState<string | null>(null);
  return (
    <Place
      title="Cable types"
      acts={
        <TableActs
          job={job}
          what="types"
          make={{ command: 'addType', words: 'New type', onPress: () => setEditing('new type') }}
          onTake={() => setTaking(true)}
          running={{ run, busy }}
        />
      }
      lead="Construction and cores, by the datasheet. Diameters that decide come from measuring the cable in hand."
    >
      <Problems problems={problems} />
      {taking ? <TakeInTypes job={job} types={types} onClose={() => setTaking(false)} /> : null}
      {editing === 'new type' ? <TypeEditor job={job} view={null} onClose={() => setEditing(null)} /> : null}
      {types.length === 0 && editing === null ? (
        <Empty>
          No type yet. Make one here, paste the table of a datasheet, or take in a cable list that speaks of
          them.
        </Empty>
      ) : null}
      <Box component="ul" aria-label="Cable types" sx={{ p: 0, m: 0, listStyle: 'none' }}>
        {types.map((view) => (
          <Box
            component="li"
            key={view.type.code}
            sx={{ py: 1.5, borderTop: '2px solid', borderColor: 'divider' }}
          >
            {editing === view.type.code ? (
              <TypeEditor job={job} view={view} onClose={() => setEditing(null)} />
            ) : (
              <TypeLine
                view={view}
                busy={busy}
                onEdit={() => setEditing(view.type.code)}
                onTakeOut={() =>
                  void run(
                    () => send('takeOutType', job, view.type.code, view.version),
                    `${view.type.code} is taken out.`,
                  )
                }
              />
            )}
          </Box>
        ))}
      </Box>
    </Place>
  );
}

interface LineProps {
  readonly view: TypeView;
  readonly busy: boolean;
  readonly onEdit: () => void;
  readonly onTakeOut: () => void;
}

/** What lies round the cores of a cable that is told by its layers. */
const layersOf = (type: TypeView['type']): string[] => [
  ARMOUR_NAMES[type.armour] === 'none' ? 'no armour' : ARMOUR_NAMES[type.armour],
  type.jacketed ? 'jacket' : 'no jacket',
  type.innerSheath ? 'bedding' : 'no bedding',
  type.effectivelyFilled ? 'filled' : 'gas path between the cores',
];

/** Which of its cores are what, where they are not all alike. */
const trailingWords = ({
  phaseColours,
  earthCores,
  pilotCores,
  semiconducting,
}: TypeView['type']): string[] => [
  ...(phaseColours === undefined ? [] : [`phases ${phaseColours.join(', ')}`]),
  ...(earthCores === undefined ? [] : [`${earthCores} earth`]),
  ...(pilotCores === undefined ? [] : [`${pilotCores} pilot`]),
  ...(semiconducting === true ? ['semiconducting layer'] : []),
];

function TypeLine({ view: { type, cables }, busy, onEdit, onTakeOut }: LineProps) {
  const gaps = typeGaps(type);
  const built = [
    `${type.cores} × ${type.coreSectionMm2} mm²`,
    ...(type.construction === undefined ? layersOf(type) : [CONSTRUCTION_WORDS[type.construction]]),
    ...trailingWords(type),
    ...(type.ratedV === undefined ? [] : [`${type.ratedV} V`]),
    ...(type.screened ? ['screened'] : []),
    ...(type.coldFlow ? ['sheath creeps'] : []),
  ];
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '8px 20px' }}>
      <CableSectionDrawing type={type} size={72} />
      <Box sx={{ flex: '1 1 320px', minWidth: 0 }}>
        <Typography variant="h3" sx={{ overflowWrap: 'anywhere' }}>
          {type.code}
        </Typography>
        <Typography>
          {type.title === type.code ? built.join(', ') : `${type.title}: ${built.join(', ')}`}
        </Typography>
        {gaps.length === 0 ? null : (
          <Typography variant="quiet" component="div" color="text.secondary">
            Not said: {gaps.map((g) => `${g.fact} (${g.blocks})`).join('; ')}.
          </Typography>
        )}
      </Box>
      <Typography sx={{ minWidth: 90 }}>
        {cables} {cables === 1 ? 'cable' : 'cables'}
      </Typography>
      <For what="setType">
        <Acts tight>
          <Button size="small" variant="outlined" aria-label={`Change ${type.code}`} onClick={onEdit}>
            Change
          </Button>
          {cables === 0 ? (
            <Button
              size="small"
              variant="outlined"
              disabled={busy}
              aria-label={`Take out ${type.code}`}
              onClick={onTakeOut}
            >
              Take out
            </Button>
          ) : null}
        </Acts>
      </For>
    </Box>
  );
}
