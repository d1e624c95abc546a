import Alert from '@mui/material/Alert';
import type { Problem } from '@/core/kernel';

/** In another tab, so that what was typed in this one stays. */
const SignInAgain = () => (
  <>
    {' '}
    <a href="/sign-in" target="_blank" rel="noreferrer">
      Sign in in another tab
    </a>
    , then try again here.
  </>
);

/** What is wrong, a line each. Read out as soon as it is there. */
export function Problems({ problems, id }: { readonly problems: readonly Problem[]; readonly id?: string }) {
  if (problems.length === 0) return null;
  return (
    <Alert severity="error" icon={false} role="alert" id={id}>
      {problems.map((p) => (
        <div key={`${p.path} ${p.message}`}>
          {p.message}
          {p.path === 'person' ? <SignInAgain /> : null}
        </div>
      ))}
    </Alert>
  );
}
