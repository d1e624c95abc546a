/** What a person may be in a job; several at once. */
export const ROLES = ['planner', 'fitter', 'inspector', 'apprentice', 'administrator'] as const;
export type Role = (typeof ROLES)[number];

/** What each may do, as it is said on screen. */
export const ROLE_WORDS: Readonly<Record<Role, { readonly name: string; readonly may: string }>> = {
  planner: { name: 'Planner', may: 'plans: schedule, boxes, types, profile, sizes, crossings' },
  fitter: { name: 'Fitter', may: 'measures, chooses and works at the bench' },
  inspector: { name: 'Inspector', may: 'looks into everything, works at the bench, and signs' },
  apprentice: {
    name: 'Apprentice',
    may: 'looks and measures, and works at the bench under a fitter or an inspector',
  },
  administrator: { name: 'Administrator', may: 'sets up the job and says who is what in it' },
};

/** Who signs: that a make-off is right is said by somebody whose office that is. */
export const SIGNS: readonly Role[] = ['inspector'];

/** Whoever works at the bench in their own name, and may take an apprentice under them. */
export const SUPERVISES: readonly Role[] = ['fitter', 'inspector'];

/** For so long, a shift with what comes before and after it, an apprentice works under whoever said so. */
export const SUPERVISED_HOURS = 10;

export const isRole = (word: string): word is Role => ROLES.some((r) => r === word);

/** Roles as they were kept in one text; words that are none are left out. */
export const rolesOf = (text: string): Role[] => text.split(',').filter(isRole);

/** What the people of the demo sign in with: it is no secret, and they are there in the demo only. */
export const DEMO_PASSWORD = 'quillmere-demo';
