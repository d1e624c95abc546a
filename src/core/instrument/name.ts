/** Names are compared as people write them. */
export const plainCode = (code: string): string => code.trim().replace(/\s+/g, ' ').toLocaleLowerCase('en');

/** What the name of a simulator begins with: nobody takes it for a real one, and no real one may be called so. */
const MARK = 'Simulated';

/** Name of an instrument that ships with the product, as it goes into the record: `Simulated caliper`. */
export const simulatedName = (words: string): string => `${MARK} ${words}`;

/** Was this read from a simulator? It shows what an instrument would; nothing was measured. */
export const isSimulated = (code: string): boolean =>
  plainCode(code).startsWith(MARK.toLocaleLowerCase('en'));
