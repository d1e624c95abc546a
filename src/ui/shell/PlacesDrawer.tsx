'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import List from '@mui/material/List';
import ListItemButton from '@mui/material/ListItemButton';
import ListSubheader from '@mui/material/ListSubheader';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { Link } from '../kit-of-parts/Link';
import { useState } from 'react';
import { isAt, type PlaceGroup } from './places';
import { FOLDED } from './widths';

const SideDrawer = dynamic(() => import('../kit-of-parts/SideDrawer').then((m) => m.SideDrawer), {
  ssr: false,
});

interface Props {
  readonly groups: readonly PlaceGroup[];
  readonly at: string;
  readonly job: string | null;
  /** The bar has no room for the places, whatever its width. */
  readonly folded: boolean;
}

/** All places in a drawer, where the bar has no room for them. */
export function PlacesDrawer({ groups, at, job, folded }: Props) {
  const [open, setOpen] = useState(false);
  const here = groups.flatMap((g) => g.places).find((p) => isAt(at, p));
  return (
    <Box sx={{ display: folded ? 'block' : 'none', [FOLDED]: { display: 'block' } }}>
      <Button
        variant="outlined"
        size="small"
        onClick={() => setOpen(true)}
        aria-haspopup="dialog"
        aria-expanded={open}
      >
        {here?.name ?? 'Places'} ▾
      </Button>
      {open ? (
        <SideDrawer label="Places" width="272px" onClose={() => setOpen(false)}>
          <Box component="nav" aria-label="All places" sx={{ py: 2 }}>
            {job ? <Typography sx={{ p: '0 16px 8px', fontWeight: 650 }}>{job}</Typography> : null}
            {groups.map((group) => (
              <List
                key={group.name}
                disablePadding
                subheader={<ListSubheader disableSticky>{group.name}</ListSubheader>}
              >
                {group.places.map((place) => (
                  <ListItemButton
                    key={place.href}
                    component={Link}
                    href={place.href}
                    selected={isAt(at, place)}
                    aria-current={isAt(at, place) ? 'page' : undefined}
                    onClick={() => setOpen(false)}
                  >
                    {place.name}
                  </ListItemButton>
                ))}
              </List>
            ))}
          </Box>
        </SideDrawer>
      ) : null}
    </Box>
  );
}
