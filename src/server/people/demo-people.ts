import { randomUUID } from 'node:crypto';
import { DEMO_PASSWORD, ROLE_WORDS, ROLES, type Role } from '@/core/people';
import { database, findJob, findUsername, insertPerson, rolesInJob, setRoles } from '@/data';
import { hashSecret } from './secrets';

/** The people of the demo: one for each role, called by it. */
export type DemoPeople = Readonly<Record<Role, { readonly id: string; readonly name: string }>>;

async function one(role: Role): Promise<{ readonly id: string; readonly name: string }> {
  const { name } = ROLE_WORDS[role];
  const there = await findUsername(database(), role);
  if (there !== null) return { id: there.id, name: there.name };
  const id = randomUUID();
  await insertPerson(
    database(),
    {
      id,
      name,
      username: role,
      administrator: role === 'administrator',
      passwordHash: await hashSecret(DEMO_PASSWORD),
    },
    new Date(),
  );
  return { id, name };
}

/** Makes them where they are not there yet. */
export async function demoPeople(): Promise<DemoPeople> {
  const made = await Promise.all(ROLES.map(async (role) => [role, await one(role)] as const));
  return Object.fromEntries(made) as Record<Role, { readonly id: string; readonly name: string }>;
}

/** Gives each their role in these jobs, where they are nothing in them yet. */
export async function demoRoles(who: DemoPeople, jobs: readonly string[]): Promise<void> {
  const tx = database();
  for (const slug of jobs) {
    const job = await findJob(tx, slug);
    if (job === null) continue;
    for (const role of ROLES)
      if ((await rolesInJob(tx, who[role].id, slug)).length === 0)
        await setRoles(tx, who[role].id, job.id, [role], null, new Date());
  }
}
