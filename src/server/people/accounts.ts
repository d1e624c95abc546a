import { randomUUID } from 'node:crypto';
import { betterAuth, type BetterAuthPlugin } from 'better-auth';
import { createAuthEndpoint } from 'better-auth/api';
import { setSessionCookie } from 'better-auth/cookies';
import { username } from 'better-auth/plugins';
import { object, string } from 'yup';
import { SHIFT_HOURS, SHORTEST_PASSWORD } from '@/core/people';
import { isDated } from '@/data';
import { accountTables } from '@/data/accounts';
import { sessionSecret } from '../record/keep';
import { hashSecret, secretMatches } from './secrets';

/** Signs a person in without a password: after a PIN, an invitation or the first run. It has no address, so nobody outside can call it. */
const begin = {
  id: 'begin',
  endpoints: {
    beginSession: createAuthEndpoint.serverOnly(
      {
        method: 'POST',
        body: object({ person: string().length(36).required() }).required(),
        requireHeaders: true,
      },
      async (ctx) => {
        const user = await ctx.context.internalAdapter.findUserById(ctx.body.person);
        if (!user) throw new Error('signed in as nobody');
        const session = await ctx.context.internalAdapter.createSession(user.id);
        await setSessionCookie(ctx, { session, user });
        return ctx.json({ person: user.id });
      },
    ),
  },
} satisfies BetterAuthPlugin;

/** Behind TLS the cookie goes over nothing else. */
const behindTls = (): boolean => process.env.AMBER_COLLAR_TLS === '1';

const make = () =>
  betterAuth({
    appName: 'Amber Collar',
    // Nothing is sent to any address: the library is called by our own routes, and has none itself.
    baseURL: behindTls() ? 'https://amber-collar.invalid' : 'http://amber-collar.invalid',
    secret: sessionSecret(),
    database: accountTables(),
    telemetry: { enabled: false },
    logger: { level: 'error' },
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: SHORTEST_PASSWORD,
      password: { hash: hashSecret, verify: ({ password, hash }) => secretMatches(password, hash) },
    },
    user: {
      additionalFields: {
        administrator: { type: 'boolean', input: false, defaultValue: false },
        blockedAt: { type: 'date', input: false, required: false },
      },
    },
    // A shift, counted from signing in: a tablet that is left behind does not stay open.
    session: { expiresIn: SHIFT_HOURS * 3600, disableSessionRefresh: true, freshAge: 0 },
    // Counted by the name that is tried, in our own table: addresses can be made up.
    rateLimit: { enabled: false },
    advanced: {
      cookiePrefix: 'amber-collar',
      useSecureCookies: behindTls(),
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax', path: '/' },
      database: { generateId: () => randomUUID() },
      ipAddress: { disableIpTracking: true },
    },
    plugins: [username({ minUsernameLength: 3, maxUsernameLength: 30 }), begin],
  });

let made: ReturnType<typeof make> | null = null;
let dated: ReturnType<typeof make> | null = null;

/** The accounts library over our own tables, as whoever asks may see them. */
export const accounts = (): ReturnType<typeof make> => (isDated() ? (dated ??= make()) : (made ??= make()));
