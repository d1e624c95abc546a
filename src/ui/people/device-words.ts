const PROGRAMS: readonly (readonly [RegExp, string])[] = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/Chrom(e|ium)\//, 'Chromium'],
  [/Safari\//, 'Safari'],
];
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/Android/, 'Android'],
  [/iPhone|iPad/, 'iOS'],
  [/Windows/, 'Windows'],
  [/Mac OS/, 'macOS'],
  [/Linux/, 'Linux'],
];

/** What a browser says of itself, in the words of who looks for it. */
export function deviceWords(userAgent: string): string {
  const found = (of: typeof PROGRAMS) => of.find(([pattern]) => pattern.test(userAgent))?.[1];
  const program = found(PROGRAMS);
  const system = found(SYSTEMS);
  if (program === undefined)
    return userAgent === '' ? 'a program that says nothing of itself' : userAgent.slice(0, 60);
  return system === undefined ? program : `${program} on ${system}`;
}
