import type { Role } from './role';

/** Somebody who can sign in, as administrators see them. */
export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly username: string;
  readonly administrator: boolean;
  readonly blocked: boolean;
  readonly jobs: readonly { readonly slug: string; readonly roles: readonly Role[] }[];
}

export interface InvitationView {
  readonly id: number;
  /** Who is meant, as the inviting person calls them. */
  readonly name: string;
  readonly roles: readonly Role[];
  readonly administrator: boolean;
  readonly invitedBy: string;
  /** ISO 8601. */
  readonly expiresAt: string;
}

export interface MemberView {
  readonly id: string;
  readonly name: string;
  readonly username: string;
  readonly roles: readonly Role[];
  readonly blocked: boolean;
  readonly hasPin: boolean;
}

/** Who is what in a job, and who is asked to come. */
export interface MembersView {
  readonly members: readonly MemberView[];
  /** People who can sign in and are nothing here yet. */
  readonly others: readonly { readonly id: string; readonly name: string }[];
  readonly invitations: readonly InvitationView[];
  /** May the person who looks change it? */
  readonly maySet: boolean;
}

export interface PeopleView {
  readonly people: readonly PersonView[];
  readonly invitations: readonly InvitationView[];
}

export interface SessionView {
  readonly id: string;
  /** By which program, as far as it says so. */
  readonly device: string;
  readonly since: string;
  readonly until: string;
}

/** What somebody sees of themselves. */
export interface MeView {
  readonly id: string;
  readonly name: string;
  readonly username: string;
  readonly administrator: boolean;
  readonly hasPin: boolean;
  readonly sessions: readonly SessionView[];
  /** Who can take over on this device by their PIN. */
  readonly colleagues: readonly { readonly id: string; readonly name: string }[];
}

/** A fresh invitation. */
export interface Invited {
  readonly expiresAt: string;
}

/** Under whom an apprentice works in a job just now. */
export interface ChargeView {
  /** Does whoever asks need somebody to work under? */
  readonly asks: boolean;
  readonly under: { readonly name: string; readonly until: string } | null;
  /** Who may say so, by their PIN. */
  readonly may: readonly { readonly id: string; readonly name: string }[];
}
