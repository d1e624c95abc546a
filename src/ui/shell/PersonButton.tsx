'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useActor } from './actor';

const PersonMenu = dynamic(() => import('../people/PersonMenu').then((m) => m.PersonMenu), { ssr: false });

/** Who works here, always in sight: what is done now is done in this name. Opens what a person can change about that. */
export function PersonButton() {
  const person = useActor();
  const [at, setAt] = useState<HTMLElement | null>(null);
  if (person === null) return null;
  return (
    <>
      <Button
        variant="outlined"
        size="small"
        onClick={(e) => setAt(e.currentTarget)}
        aria-haspopup="menu"
        aria-expanded={at !== null}
        aria-label={`${person.name} works here: hand over, account, sign out`}
        sx={{
          flex: { xs: '0 1 auto', sm: 'none' },
          minWidth: 64,
          maxWidth: { xs: 116, sm: 168 },
          bgcolor: 'background.paper',
          '[data-bench] &': { minHeight: 44 },
        }}
      >
        <Box component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
          {person.name}
        </Box>
      </Button>
      {at ? <PersonMenu anchor={at} onClose={() => setAt(null)} /> : null}
    </>
  );
}
