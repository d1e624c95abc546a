/** Called once, when a process of the application starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { sayThatItRuns } = await import('./server/running');
  sayThatItRuns();
}
