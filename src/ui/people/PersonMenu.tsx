'use client';
import ListItemText from '@mui/material/ListItemText';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { Link } from '../kit-of-parts/Link';
import { useState } from 'react';
import { capital } from '@/core/kernel';
import { useActor } from '../shell/actor';
import { leaveDevice } from '../kept/leave-device';
import { setHelp } from '../shell/help-open';
import { atTheDoor, startAfresh } from './door';
import { HandOver } from './HandOver';

interface Props {
  readonly anchor: HTMLElement;
  readonly onClose: () => void;
}

/** What a person can do about who works here. */
export function PersonMenu({ anchor, onClose }: Props) {
  const person = useActor();
  const [handing, setHanding] = useState(false);
  /** Why somebody who wanted to leave is still signed in. */
  const [still, setStill] = useState<string | null>(null);
  if (person === null) return null;
  if (handing) return <HandOver onClose={onClose} />;
  const leave = async () => {
    const left = await atTheDoor('sign-out', {});
    if (left.ok) {
      await leaveDevice();
      startAfresh('/sign-in');
    } else {
      // Whoever is still signed in goes on: what is with the device stays with it.
      setStill(left.problems.map((p) => capital(p.message)).join(' '));
    }
  };
  const until = new Date(person.until).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
  return (
    <Menu open anchorEl={anchor} onClose={onClose} slotProps={{ list: { 'aria-label': 'Person' } }}>
      <MenuItem onClick={() => setHanding(true)}>
        <ListItemText primary="Hand this device over" secondary="to a colleague, by their PIN" />
      </MenuItem>
      <MenuItem
        onClick={() => {
          onClose();
          setHelp(true);
        }}
      >
        <ListItemText primary="Help" secondary="for where I am, and the keys" />
      </MenuItem>
      <MenuItem component={Link} href="/me" onClick={onClose}>
        <ListItemText primary="My account" secondary="password, PIN, where I am signed in" />
      </MenuItem>
      <MenuItem
        onClick={() => {
          void leave();
        }}
      >
        {still === null ? (
          <ListItemText primary="Sign out" secondary={`otherwise signed in until ${until}`} />
        ) : (
          <ListItemText
            primary={`Not signed out: you are signed in here until ${until}`}
            secondary={still}
            slotProps={{ primary: { role: 'alert', color: 'error' } }}
            sx={{ maxWidth: 300, whiteSpace: 'normal' }}
          />
        )}
      </MenuItem>
    </Menu>
  );
}
