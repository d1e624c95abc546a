import { closeDatabase } from '@/data';

/** Runs a program that works at the database, and ends with what it returns; 1, with the reason, where it fails. */
export const run = (main: () => Promise<number>): Promise<void> =>
  main()
    .then((code) => {
      process.exitCode = code;
    })
    .finally(closeDatabase)
    .catch((error: unknown) => {
      console.error(error);
      process.exitCode = 1;
    });
