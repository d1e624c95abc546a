'use client';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import { ROLES, ROLE_WORDS, type Role } from '@/core/people';

interface Props {
  readonly label: string;
  readonly roles: readonly Role[];
  readonly disabled?: boolean;
  readonly onChange: (roles: Role[]) => void;
}

/** What somebody is in a job: any of them at once. */
export const RoleChips = ({ label, roles, disabled = false, onChange }: Props) => (
  <Stack direction="row" role="group" aria-label={label} sx={{ flexWrap: 'wrap', gap: 0.75 }}>
    {ROLES.map((role) => (
      <ToggleButton
        key={role}
        value={role}
        size="small"
        selected={roles.includes(role)}
        disabled={disabled}
        onChange={() => onChange(ROLES.filter((r) => (r === role ? !roles.includes(r) : roles.includes(r))))}
      >
        {ROLE_WORDS[role].name}
      </ToggleButton>
    ))}
  </Stack>
);
