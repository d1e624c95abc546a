'use client';
import InputBase from '@mui/material/InputBase';
import { useActor } from './actor';

/** Who works here: what the record says from now on. */
export function ActorField() {
  const { name, setName } = useActor();
  return (
    <InputBase
      id="actor-name"
      value={name}
      onChange={(e) => setName(e.target.value)}
      placeholder="Who are you?"
      autoComplete="off"
      slotProps={{ input: { 'aria-label': 'Your name, for the record', maxLength: 60 } }}
      sx={{
        flex: 'none',
        width: { xs: 96, sm: 124 },
        height: 34,
        px: 1,
        fontWeight: 600,
        bgcolor: 'background.paper',
        border: '2px solid',
        borderColor: name.trim() === '' ? 'secondary.main' : 'divider',
        borderRadius: 1,
        '[data-bench] &': { height: 44 },
      }}
    />
  );
}
