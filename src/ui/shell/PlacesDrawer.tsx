'use client';
import Button from '@mui/material/Button';
import Drawer from '@mui/material/Drawer';
import List from '@mui/material/List';
import ListItemButton from '@mui/material/ListItemButton';
import ListSubheader from '@mui/material/ListSubheader';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useState } from 'react';
import { isAt, type PlaceGroup } from './places';
import styles from './TopBar.module.css';

interface Props {
  readonly groups: readonly PlaceGroup[];
  readonly at: string;
  readonly job: string | null;
}

/** All places in a drawer, where the bar has no room for them. */
export function PlacesDrawer({ groups, at, job }: Props) {
  const [open, setOpen] = useState(false);
  const here = groups.flatMap((g) => g.places).find((p) => isAt(at, p));
  return (
    <div className={styles.folded}>
      <Button
        variant="outlined"
        size="small"
        onClick={() => setOpen(true)}
        aria-haspopup="dialog"
        aria-expanded={open}
      >
        {here?.name ?? 'Places'} ▾
      </Button>
      <Drawer open={open} onClose={() => setOpen(false)} slotProps={{ paper: { 'aria-label': 'Places' } }}>
        <nav aria-label="All places" className={styles.drawer}>
          {job ? <Typography className={styles.drawerJob}>{job}</Typography> : null}
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
        </nav>
      </Drawer>
    </div>
  );
}
