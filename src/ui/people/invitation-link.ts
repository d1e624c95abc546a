import { tokenHash } from '@/core/people';

/** A fresh token for an invitation, and what the server keeps of it. Only who invites sees the token. */
export function freshToken(): { readonly token: string; readonly hash: string } {
  const bytes = crypto.getRandomValues(new Uint8Array(24));
  const token = btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_');
  return { token, hash: tokenHash(token) };
}

export const invitationLink = (token: string): string => `${window.location.origin}/invitation/${token}`;
