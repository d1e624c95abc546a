import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Chips } from '../kit-of-parts/Chips';
import { PickedEnds, tagOf } from './PickedEnds';
import { ALL_AREAS, type Pick } from './use-pick';

/** Ends to be picked from, by area, all or none of them, and one by one. */
export function PickEnds({ pick }: { readonly pick: Pick }) {
  const { area, setArea, areas, shown, isPicked, put } = pick;
  return (
    <>
      <Chips
        label="Area"
        value={area}
        onChange={setArea}
        options={[[ALL_AREAS, 'All areas'], ...areas.map((a) => [a, a] as const)]}
      >
        <Box sx={{ flex: 1 }} />
        <Button size="small" variant="text" onClick={() => put(shown.map(tagOf), true)}>
          Select these
        </Button>
        <Button size="small" variant="text" onClick={() => put(shown.map(tagOf), false)}>
          Select none
        </Button>
      </Chips>
      <PickedEnds rows={shown} isPicked={isPicked} onPut={(tag, on) => put([tag], on)} />
    </>
  );
}
