'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Problem } from '@/core/kernel';
import { useLook } from '../data/use-look';
import { Problems } from '../kit-of-parts/Problems';
import { TextField } from '../kit-of-parts/TextField';
import { Tile } from '../kit-of-parts/Tile';
import { atTheDoor, startAfresh } from './door';

/** A colleague takes this device over by their PIN; whoever worked here is signed out of it. */
export function HandOver({ onClose }: { readonly onClose: () => void }) {
  const { view, problems: unseen } = useLook(['viewMe']);
  const [to, setTo] = useState<string | null>(null);
  const [pin, setPin] = useState('');
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const hand = async () => {
    if (to === null) return;
    setBusy(true);
    const done = await atTheDoor('hand-over', { key: to, pin });
    setBusy(false);
    if (done.ok) startAfresh(window.location.href);
    else {
      setProblems(
        done.problems.map((p) => (p.path === 'pin' ? { ...p, message: `The PIN ${p.message}.` } : p)),
      );
      setPin('');
    }
  };
  const colleagues = view?.colleagues ?? [];
  return (
    <Dialog open onClose={onClose} aria-labelledby="hand-over" fullWidth maxWidth="xs">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void hand();
        }}
      >
        <DialogTitle id="hand-over">Who works here now?</DialogTitle>
        <DialogContent>
          {view !== null && colleagues.length === 0 ? (
            <Typography>
              None of your colleagues in a job has a PIN yet. Each sets one under “My account”.
            </Typography>
          ) : null}
          <Stack
            direction="row"
            role="group"
            aria-label="Colleagues"
            sx={{ flexWrap: 'wrap', gap: 1, mb: 2 }}
          >
            {colleagues.map((c) => (
              <Tile key={c.id} title={c.name} note="" picked={to === c.id} onPick={() => setTo(c.id)} />
            ))}
          </Stack>
          {to === null ? null : (
            <TextField
              label="PIN"
              type="password"
              value={pin}
              onChange={(e) => setPin(e.target.value)}
              autoFocus
              fullWidth
              slotProps={{
                htmlInput: { inputMode: 'numeric', maxLength: 8, style: { minHeight: 36, fontSize: 22 } },
              }}
            />
          )}
          <Problems problems={[...unseen, ...problems]} />
        </DialogContent>
        <DialogActions>
          <Button variant="outlined" onClick={onClose}>
            Stay as it is
          </Button>
          <Button
            type="submit"
            variant="contained"
            color="secondary"
            disabled={busy || to === null || pin === ''}
          >
            {to === null ? 'Choose who' : pin === '' ? 'Type the PIN' : 'Take over'}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
