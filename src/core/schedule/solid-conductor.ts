/** Diameter of a solid conductor of a section, mm: the least that any conductor of it may have. */
export const solidConductorMm = (sectionMm2: number): number => 2 * Math.sqrt(sectionMm2 / Math.PI);
