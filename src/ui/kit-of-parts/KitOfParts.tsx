'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { TextField } from './TextField';
import { useState } from 'react';
import { HoldButton } from '../bench/HoldButton';
import { NutMark } from '../verdict/NutMark';
import { Acts } from './Acts';
import { Answer } from './Answer';
import { Caution } from './Caution';
import { Cautions } from './Cautions';
import { CellField } from './CellField';
import { Chips } from './Chips';
import { Choice } from './Choice';
import { Coming } from './Coming';
import { DataTable } from './DataTable';
import { DateField } from './DateField';
import { Empty } from './Empty';
import { Facts } from './Facts';
import { FileButton } from './FileButton';
import { Filter } from './Filter';
import { Folded } from './Folded';
import { Group } from './Group';
import { Hint } from './Hint';
import { IntervalField, NO_INTERVAL } from './IntervalField';
import { Keypad } from './Keypad';
import { NumberFields } from './NumberFields';
import { PadField } from './PadField';
import { Pane, Panes } from './Panes';
import { Panel } from './Panel';
import { PickField } from './PickField';
import { PlainList } from './PlainList';
import { Problems } from './Problems';
import { Progress } from './Progress';
import { Remove } from './Remove';
import { Section } from './Section';
import { Segments } from './Segments';
import { StepNumber } from './StepNumber';
import { Tick } from './Tick';
import { Tile } from './Tile';
import { To } from './To';
import { Way } from './Way';

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
        <TextField label="New cable tag" value={text} onChange={(e) => setText(e.target.value)} />
        <TextField label="Cable type" error helperText="is not a cable type of this job" />
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
      <Layout />
      <Fields />
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

/** What places are laid out with. */
function Layout() {
  const [chip, setChip] = useState('all');
  const [pane, setPane] = useState<'places' | 'cables'>('places');
  return (
    <>
      <Way from={[['Crossings', '/catalogue']]} here="X-1" />
      <Panes
        label="Panes"
        panes={[
          ['places', 'Places'],
          ['cables', 'Cables'],
        ]}
        value={pane}
        onChange={setPane}
      />
      <Pane of={pane}>
        {pane === 'places' ? (
          <Coming what="the places" lines={3} />
        ) : (
          <Hint text="K-101/A, K-104/B, K-110/A">
            <Button variant="text">3 more</Button>
          </Hint>
        )}
      </Pane>
      <Answer words="Take AY3-25, coarse groove to the cone." lead="Outer seal 2.04 mm inside; no adaptor." />
      <Section title="Running now">
        <Facts
          facts={[
            ['Done', '8 of 17 steps'],
            ['Entry', 'MCC-1, P3'],
          ]}
        />
      </Section>
      <Chips
        label="Show"
        value={chip}
        onChange={setChip}
        options={[
          ['all', 'All 72'],
          ['blocked', 'Blocked 8'],
        ]}
      />
      <Box sx={{ display: 'flex', gap: 1.25 }}>
        <Tile title="resin QR-7" note="approved for BC4-20 up to 10 cores" picked onPick={NOTHING} />
        <Tile title="putty CP-5" note="not on the approval list" picked={false} disabled onPick={NOTHING} />
      </Box>
      <Panel label="What would change">Nothing would change at any termination.</Panel>
      <Folded title="How the lengths came about">armour stop to shoulder of the gland, 36 mm</Folded>
      <Cautions cautions={['The cable must not turn with the nut.', 'Sharp edges.']} />
      <PlainList ruled>
        <li>
          K-110 into 1A row 4 <Remove label="leave K-110 out" onClick={NOTHING} />
        </li>
      </PlainList>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <StepNumber number={1} state="done" /> <StepNumber number={2} state="next" />{' '}
        <StepNumber number={3} state={null} />
        <Progress label="Cards" share={0.4} />
      </Box>
      <Empty>Nothing goes through yet.</Empty>
    </>
  );
}

/** What is filled in. */
function Fields() {
  const [ticked, setTicked] = useState(true);
  const [press, setPress] = useState<'' | 'top'>('');
  const [day, setDay] = useState('2027-03-31');
  const [filter, setFilter] = useState('');
  const [interval, setInterval] = useState({ ...NO_INTERVAL, min: '28,1', max: '28.4' });
  return (
    <Group title="Frames allowed">
      <Acts>
        <Choice
          label="Press unit"
          value={press}
          options={[
            ['', 'any place'],
            ['top', 'at the top'],
          ]}
          onChange={setPress}
        />
        <Filter
          name="kit"
          label="Filter"
          placeholder="Filter by tag  /"
          value={filter}
          onChange={setFilter}
          width={180}
        />
        <IntervalField label="Diameter" value={interval} onChange={setInterval} />
        <DateField name="day" label="Use by" value={day} onChange={setDay} />
        <CellField label="circuit of K-101" value="power" onChange={NOTHING} />
        <CellField
          label="tray position of K-101"
          value="-1"
          error
          helperText="must be greater than or equal to 0"
          onChange={NOTHING}
          width={56}
        />
        <Tick label="TF-1-150" checked={ticked} onChange={setTicked} />
        <FileButton label="table of places" accept=".csv" onFile={NOTHING}>
          Read a table of places
        </FileButton>
        <To href="/catalogue">Catalogue</To>
      </Acts>
      <Box data-bench="" sx={{ display: 'flex', maxWidth: 420 }}>
        <HoldButton onConfirm={NOTHING}>Hold: done</HoldButton>
      </Box>
    </Group>
  );
}

const NOTHING = () => undefined;

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
