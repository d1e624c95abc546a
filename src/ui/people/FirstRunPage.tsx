'use client';
import { useState } from 'react';
import { TextField } from '../kit-of-parts/TextField';
import { startAfresh } from './door';
import { Entrance } from './Entrance';
import { NewPersonForm } from './NewPersonForm';

/** The first who comes sets the application up: shown by the code that only who started the server has seen. */
export function FirstRunPage() {
  const [code, setCode] = useState('');
  return (
    <Entrance
      title="Nobody works here yet"
      lead="You will be the administrator: you make jobs and invite the others. The code stands on the console where the server was started."
    >
      <NewPersonForm
        door="first-run"
        secret={() => code}
        submitWords="Begin"
        done={() => startAfresh('/')}
        before={
          <TextField
            label="Code from the console"
            value={code}
            onChange={(e) => setCode(e.target.value.toUpperCase())}
            placeholder="XXXX-XXXX-XXXX"
            fullWidth
            autoFocus
            sx={{ mb: 2 }}
          />
        }
      />
    </Entrance>
  );
}
