import Alert from '@mui/material/Alert';
import type { Problem } from '@/core/kernel';

/** What is wrong, a line each. Read out as soon as it is there. */
export function Problems({ problems, id }: { readonly problems: readonly Problem[]; readonly id?: string }) {
  if (problems.length === 0) return null;
  return (
    <Alert severity="error" icon={false} role="alert" id={id}>
      {problems.map((p) => (
        <div key={`${p.path} ${p.message}`}>{p.message}</div>
      ))}
    </Alert>
  );
}
