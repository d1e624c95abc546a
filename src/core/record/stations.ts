/** The stations in working order; each has an arc of the collar. */
export const STATIONS = ['measure', 'choose', 'cut', 'makeOff', 'seal', 'tighten', 'prove'] as const;
export type ArcStation = (typeof STATIONS)[number];

export const STATION_WORDS: Readonly<Record<ArcStation, string>> = {
  measure: 'Measure',
  choose: 'Choose',
  cut: 'Cut',
  makeOff: 'Make off',
  seal: 'Seal',
  tighten: 'Tighten',
  prove: 'Prove',
};
