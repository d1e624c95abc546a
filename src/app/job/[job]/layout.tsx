import type { ReactNode } from 'react';
import { connection } from 'next/server';

/** Everything below a job reads the database when it is asked for. */
export default async function JobLayout({ children }: { readonly children: ReactNode }) {
  await connection();
  return children;
}
